-- The figure a list of songs shows, wherever the form a song was kept in has it.
alter table song add column figure text generated always as
    (coalesce(choices #>> '{kept,song,figure}', choices #>> '{choices,figure}', choices ->> 'figure')) stored;

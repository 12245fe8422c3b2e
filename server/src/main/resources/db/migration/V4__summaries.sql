-- What the repertoire shows of a chart, kept with it: the list of songs reads no chart. Rows from before have none until the list is asked for once.
alter table song add column summary jsonb;

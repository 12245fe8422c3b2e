-- Arrangements have an id that lasts, whatever they are called.
alter table song add column arrangement_id uuid not null default gen_random_uuid();
alter table song alter column arrangement_id drop default;
update song set others = (select coalesce(jsonb_agg(each.value || jsonb_build_object('id', gen_random_uuid()) order by each.ordinality), '[]')
                          from jsonb_array_elements(others) with ordinality each);

-- What versions of a song say, each text once: by the first 16 bytes of its SHA-256. A text is packed (RFC 1951), where that helps with the text it leans on as its dictionary;
-- rows from before stand plain.
create table song_content (
    song_id uuid not null references song (id),
    hash    uuid not null,
    base    uuid,
    packed  bytea,
    plain   text,
    primary key (song_id, hash),
    foreign key (song_id, base) references song_content (song_id, hash)
);

alter table song_version add column chart_hash uuid, add column choices_hash uuid, add column figure text, add column name text;

create function pg_temp.hash_of(said text) returns uuid language sql immutable as
    $$ select encode(substring(sha256(convert_to(said, 'UTF8')) from 1 for 16), 'hex')::uuid $$;

create function pg_temp.choices_of(arrangement text, choices jsonb, others jsonb) returns text language sql immutable as
    $$ select jsonb_build_object('arrangement', arrangement, 'choices', choices, 'others', others)::text $$;

insert into song_content (song_id, hash, plain)
select distinct on (song_id, said) song_id, pg_temp.hash_of(said), said
from (select song_id, chart as said from song_version
      union all
      select song_id, pg_temp.choices_of(arrangement, choices, others) from song_version) texts;

update song_version set chart_hash = pg_temp.hash_of(chart), choices_hash = pg_temp.hash_of(pg_temp.choices_of(arrangement, choices, others)), figure = choices ->> 'figure';

alter table song_version drop column chart, drop column choices, drop column others, alter column chart_hash set not null, alter column choices_hash set not null;

-- Every text an own figure ever had: songs say which one they were kept with.
create table own_figure_text (
    owner uuid not null references player (id),
    hash  uuid not null,
    file  text not null,
    primary key (owner, hash)
);

insert into own_figure_text (owner, hash, file) select distinct on (owner, file) owner, pg_temp.hash_of(file), file from own_figure;

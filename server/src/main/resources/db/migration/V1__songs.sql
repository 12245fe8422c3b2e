-- Players own songs; there is one player until there are more.
create table player (
    id   uuid primary key,
    name text not null
);

insert into player (id, name) values ('00000000-0000-4000-8000-000000000001', 'Pianist');

create table song (
    id         uuid primary key,
    owner      uuid        not null references player (id),
    title      text        not null,
    chart      text        not null,
    choices    jsonb       not null,
    version    integer     not null,
    created_at timestamptz not null,
    updated_at timestamptz not null,
    deleted_at timestamptz
);

create index song_by_owner on song (owner, updated_at desc) where deleted_at is null;

-- Every state a song was ever saved in, the present one too.
create table song_version (
    song_id  uuid        not null references song (id),
    version  integer     not null,
    title    text        not null,
    chart    text        not null,
    choices  jsonb       not null,
    saved_at timestamptz not null,
    primary key (song_id, version)
);

-- What has been done once to this database, e.g. loading the demo repertoire.
create table milestone (
    name text primary key,
    at   timestamptz not null
);

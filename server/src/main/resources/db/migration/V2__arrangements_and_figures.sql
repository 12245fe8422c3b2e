-- A song has several arrangements: the one that is open, by name, and the others with their choices.
alter table song add column arrangement text not null default 'alone';
alter table song add column others jsonb not null default '[]';
alter table song_version add column arrangement text not null default 'alone';
alter table song_version add column others jsonb not null default '[]';

-- Figures of a player's own, each as the text of its file.
create table own_figure (
    owner      uuid        not null references player (id),
    id         text        not null,
    file       text        not null,
    version    integer     not null,
    created_at timestamptz not null,
    updated_at timestamptz not null,
    deleted_at timestamptz,
    primary key (owner, id)
);

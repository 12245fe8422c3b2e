-- An evening: songs in their order, each as it is played that night, and breaks.
create table evening_set (
    id         uuid primary key,
    owner      uuid        not null references player (id),
    title      text        not null,
    played_on  date,
    place      text        not null,
    items      jsonb       not null,
    version    integer     not null,
    created_at timestamptz not null,
    updated_at timestamptz not null,
    deleted_at timestamptz
);

create index evening_set_by_owner on evening_set (owner, updated_at desc) where deleted_at is null;

-- People's hands and what they play on, as they were measured; at most one of a player's is in use.
create table hands (
    id         uuid primary key,
    owner      uuid        not null references player (id),
    name       text        not null,
    measures   jsonb       not null,
    in_use     boolean     not null,
    version    integer     not null,
    created_at timestamptz not null,
    updated_at timestamptz not null,
    deleted_at timestamptz
);

create unique index hands_in_use on hands (owner) where in_use and deleted_at is null;

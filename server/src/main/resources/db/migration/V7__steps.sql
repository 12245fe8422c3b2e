-- Once through a place step by step: how long each step took, in milliseconds.
create table practice_steps (
    id         uuid primary key,
    owner      uuid        not null references player (id),
    song_id    uuid        not null references song (id),
    stepped_at timestamptz not null,
    stepped_on date        not null,
    first_bar  integer     not null,
    last_bar   integer     not null,
    layer      text        not null,
    ms         integer[]   not null
);

create index practice_steps_by_place on practice_steps (owner, song_id, first_bar, last_bar);

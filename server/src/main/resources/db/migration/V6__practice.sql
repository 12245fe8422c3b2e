-- What a song is being practised for: a tempo, perhaps a day, and what there is to practise in it.
create table practice_goal (
    song_id    uuid primary key references song (id),
    owner      uuid             not null references player (id),
    tempo      double precision not null,
    until      date,
    level      integer          not null,
    seconds    double precision not null,
    pieces     jsonb            not null,
    updated_at timestamptz      not null
);

-- The log: every pass, as it went. Nothing in it is ever shown to anybody else.
create table practice_pass (
    id             uuid primary key,
    owner          uuid             not null references player (id),
    song_id        uuid             not null references song (id),
    arrangement_id uuid,
    arrangement    text             not null,
    song_version   integer          not null,
    played_at      timestamptz      not null,
    played_on      date             not null,
    first_bar      integer          not null,
    last_bar       integer          not null,
    layer          text             not null,
    tempo          double precision not null,
    clean          boolean          not null,
    right_share    double precision,
    uneven_ms      double precision,
    seconds        integer          not null,
    word           text             not null,
    hurt           text             not null
);

create index practice_pass_by_day on practice_pass (owner, played_on);

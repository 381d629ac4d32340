-- +goose Up
CREATE TABLE clips (
    id         text PRIMARY KEY,
    name       text NOT NULL,
    revision   integer NOT NULL,
    doc        json NOT NULL,
    created_at timestamptz NOT NULL DEFAULT now(),
    updated_at timestamptz NOT NULL DEFAULT now()
);

CREATE TABLE revisions (
    clip_id    text NOT NULL REFERENCES clips ON DELETE CASCADE,
    revision   integer NOT NULL,
    doc        json NOT NULL,
    change     text NOT NULL,
    created_at timestamptz NOT NULL DEFAULT now(),
    PRIMARY KEY (clip_id, revision)
);

-- Files by the hash of their content, in chunks, so that a download can start
-- anywhere and no row is large.
CREATE TABLE files (
    hash       text PRIMARY KEY,
    media      text NOT NULL,
    bytes      bigint NOT NULL,
    created_at timestamptz NOT NULL DEFAULT now()
);

CREATE TABLE file_chunks (
    hash text NOT NULL REFERENCES files ON DELETE CASCADE,
    n    integer NOT NULL,
    data bytea NOT NULL,
    PRIMARY KEY (hash, n)
);
ALTER TABLE file_chunks ALTER COLUMN data SET STORAGE EXTERNAL;

-- Props that were brought in, with what was found in them.
CREATE TABLE props (
    hash       text PRIMARY KEY REFERENCES files,
    name       text NOT NULL,
    prop       json NOT NULL,
    created_at timestamptz NOT NULL DEFAULT now()
);

CREATE TABLE exports (
    id         text PRIMARY KEY,
    clip_id    text NOT NULL REFERENCES clips ON DELETE CASCADE,
    revision   integer NOT NULL,
    doc        json NOT NULL,
    created_at timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX ON exports (clip_id, created_at DESC);

-- One shape of an export. attempt counts who may write: a worker that was
-- thought dead and is not cannot disturb its successor.
CREATE TABLE export_parts (
    export_id text NOT NULL REFERENCES exports ON DELETE CASCADE,
    shape     text NOT NULL,
    ordinal   integer NOT NULL,
    state     text NOT NULL DEFAULT 'waiting'
              CHECK (state IN ('waiting', 'running', 'done', 'failed', 'cancelled')),
    attempt   integer NOT NULL DEFAULT 1,
    done      integer NOT NULL DEFAULT 0,
    total     integer NOT NULL,
    started   timestamptz,
    heartbeat timestamptz,
    video     text REFERENCES files,
    poster    text REFERENCES files,
    error     text NOT NULL DEFAULT '',
    PRIMARY KEY (export_id, shape)
);

-- +goose Down
DROP TABLE export_parts, exports, props, file_chunks, files, revisions, clips;

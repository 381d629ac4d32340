-- +goose Up
-- How often a part of an export failed (it is tried three times), and since
-- when it waits.
ALTER TABLE export_parts
    ADD COLUMN failures integer NOT NULL DEFAULT 0,
    ADD COLUMN queued timestamptz NOT NULL DEFAULT now();

-- When a file was last needed by a clip, an export or a person who brought it in.
ALTER TABLE files ADD COLUMN needed timestamptz NOT NULL DEFAULT now();
CREATE INDEX ON export_parts (video);
CREATE INDEX ON export_parts (poster);

-- The door. Of pass phrase, sessions and tokens only hashes are kept.
CREATE TABLE door (
    one    boolean PRIMARY KEY DEFAULT true CHECK (one),
    phrase text NOT NULL -- argon2id, in the form of the PHC strings
);
CREATE TABLE sessions (
    id      text PRIMARY KEY,
    hash    bytea NOT NULL UNIQUE,
    agent   text NOT NULL,
    address text NOT NULL,
    created timestamptz NOT NULL DEFAULT now(),
    seen    timestamptz NOT NULL DEFAULT now()
);
CREATE TABLE tokens (
    id      text PRIMARY KEY,
    name    text NOT NULL,
    hash    bytea NOT NULL UNIQUE,
    created timestamptz NOT NULL DEFAULT now(),
    used    timestamptz
);

-- +goose Down
DROP TABLE tokens, sessions, door;
ALTER TABLE files DROP COLUMN needed;
ALTER TABLE export_parts DROP COLUMN failures, DROP COLUMN queued;

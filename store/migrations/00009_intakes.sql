-- +goose Up
-- Moving pictures that are being brought into the form in which they are kept.
CREATE TABLE intakes (
    id        text PRIMARY KEY,
    name      text NOT NULL,
    hash      text NOT NULL, -- of the file as it came
    state     text NOT NULL DEFAULT 'waiting', -- waiting, running, done, failed, cancelled
    share     real NOT NULL DEFAULT 0, -- that is done
    attempt   integer NOT NULL DEFAULT 1,
    heartbeat timestamptz NOT NULL DEFAULT now(),
    prop      json, -- when it is done
    note      text NOT NULL DEFAULT '', -- what is to be known of it
    error     text NOT NULL DEFAULT '', -- why it failed, for a person
    created   timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX ON intakes (hash);

-- +goose Down
DROP TABLE intakes;

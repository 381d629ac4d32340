-- +goose Up
-- Named looks that are kept for all clips.
CREATE TABLE looks (
    id         text PRIMARY KEY,
    name       text NOT NULL,
    look       json NOT NULL,
    updated_at timestamptz NOT NULL DEFAULT now()
);

-- +goose Down
DROP TABLE looks;

-- +goose Up
-- Colours, fonts and logos that are kept for all clips.
CREATE TABLE brands (
	id text PRIMARY KEY,
	name text NOT NULL,
	brand jsonb NOT NULL,
	updated_at timestamptz NOT NULL DEFAULT now()
);

-- +goose Down
DROP TABLE brands;

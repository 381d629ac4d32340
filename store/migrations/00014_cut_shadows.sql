-- +goose Up
-- The shadow that a photo shows is kept as a picture of its own, when it is wanted.
ALTER TABLE cuts ADD COLUMN shadow text REFERENCES files (hash);
ALTER TABLE cuts ADD COLUMN shadow_x int NOT NULL DEFAULT 0;
ALTER TABLE cuts ADD COLUMN shadow_y int NOT NULL DEFAULT 0;
CREATE INDEX cuts_shadow ON cuts (shadow);

-- +goose Down
ALTER TABLE cuts DROP COLUMN shadow_y;
ALTER TABLE cuts DROP COLUMN shadow_x;
ALTER TABLE cuts DROP COLUMN shadow;

-- +goose Up
-- Cuts that were made on the Bench: the photo, what is wanted of it, and what was made.
CREATE TABLE cuts (
    id         text PRIMARY KEY,
    name       text NOT NULL,
    photo      text NOT NULL REFERENCES files (hash),
    wanted     jsonb NOT NULL DEFAULT '{"edge": {}}',
    made       jsonb,                           -- what was wanted when the result was made
    result     text REFERENCES files (hash),
    at_x       int NOT NULL DEFAULT 0,          -- the pixel of the photo that the result's upper left one is
    at_y       int NOT NULL DEFAULT 0,
    found      json,
    part_of    text REFERENCES cuts (id) ON DELETE CASCADE, -- the cut that this part is taken out of
    looked     boolean NOT NULL DEFAULT false,  -- a person has looked at the result
    created_at timestamptz NOT NULL DEFAULT now(),
    removed    timestamptz
);
CREATE INDEX cuts_photo ON cuts (photo);
CREATE INDEX cuts_part_of ON cuts (part_of);
CREATE INDEX cuts_result ON cuts (result);

-- +goose Down
DROP TABLE cuts;

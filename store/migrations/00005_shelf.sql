-- +goose Up
-- A small picture of a file, made when it is first shown in a list.
ALTER TABLE files ADD COLUMN small bytea;
-- What is taken from the shelf, and clips that are deleted, can be taken back
-- until they are tidied away.
ALTER TABLE props ADD COLUMN removed timestamptz;
ALTER TABLE clips ADD COLUMN deleted timestamptz;
-- A revision that a person has given a name.
ALTER TABLE revisions ADD COLUMN name text NOT NULL DEFAULT '';

-- +goose Down
ALTER TABLE revisions DROP COLUMN name;
DELETE FROM clips WHERE deleted IS NOT NULL;
ALTER TABLE clips DROP COLUMN deleted;
DELETE FROM props WHERE removed IS NOT NULL;
ALTER TABLE props DROP COLUMN removed;
ALTER TABLE files DROP COLUMN small;

-- A clip's history is the edits that were made, each with what it changed, and
-- a whole document every hundred. The newest document is not written with each
-- edit: it follows from the last whole one and the changes since.

-- +goose Up
ALTER TABLE clips ADD COLUMN summary json;
UPDATE clips SET summary = json_build_object('shape', doc->'shapes'->0, 'rate', doc->'rate', 'length', doc->'length');
ALTER TABLE clips ALTER COLUMN summary SET NOT NULL, DROP COLUMN doc;
ALTER TABLE clips SET (fillfactor = 50);

ALTER TABLE revisions
    ALTER COLUMN doc DROP NOT NULL,
    ADD COLUMN edit_id text,  -- made by the page, so that an edit is taken once
    ADD COLUMN command json,
    ADD COLUMN patch json,    -- what it changed, there and back
    ADD CHECK (doc IS NOT NULL OR patch IS NOT NULL);
CREATE UNIQUE INDEX ON revisions (clip_id, edit_id) WHERE edit_id IS NOT NULL;
CREATE INDEX ON revisions (clip_id, revision) WHERE doc IS NOT NULL;

-- Files that a clip has needed in any of its revisions.
CREATE TABLE clip_files (
    clip_id text NOT NULL REFERENCES clips ON DELETE CASCADE,
    hash    text NOT NULL REFERENCES files,
    PRIMARY KEY (clip_id, hash)
);
CREATE INDEX ON clip_files (hash);
INSERT INTO clip_files
    SELECT DISTINCT r.clip_id, f.hash
    FROM revisions r, json_array_elements(r.doc->'props') p JOIN files f ON f.hash = p->>'hash';

-- +goose Down
DELETE FROM revisions WHERE doc IS NULL;
DROP TABLE clip_files;
ALTER TABLE revisions DROP COLUMN edit_id, DROP COLUMN command, DROP COLUMN patch, ALTER COLUMN doc SET NOT NULL;
ALTER TABLE clips ADD COLUMN doc json;
UPDATE clips c SET (revision, doc) = (SELECT revision, doc FROM revisions r WHERE r.clip_id = c.id ORDER BY revision DESC LIMIT 1);
ALTER TABLE clips ALTER COLUMN doc SET NOT NULL, DROP COLUMN summary;

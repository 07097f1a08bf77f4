-- The text of a working copy is written every few edits only; what was edited since stands in the edits themselves.
ALTER TABLE template ADD COLUMN document_revision INT DEFAULT 0 NOT NULL;
UPDATE template SET document_revision = revision;

-- What a revision changed, in words; null for those that were saved before this was written down.
ALTER TABLE rig_revision ADD COLUMN changes TEXT;
-- Undo and redo: which revision this one is again, null for one of its own; and what redo would go to next, as JSON.
ALTER TABLE rig_revision ADD COLUMN again INTEGER;
ALTER TABLE rig_revision ADD COLUMN redo TEXT;
-- What this installation is set to.
CREATE TABLE setting (
  name  TEXT PRIMARY KEY,
  value TEXT NOT NULL
) STRICT;
CREATE INDEX rig_revision_of_day ON rig_revision (rig_id, saved_at);

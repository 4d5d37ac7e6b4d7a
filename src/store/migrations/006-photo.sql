-- Photos that somebody took of what could not be done; they go with their rig.
CREATE TABLE photo (
  id       TEXT PRIMARY KEY,
  rig_id   TEXT NOT NULL REFERENCES rig (id) ON DELETE CASCADE,
  taken_at TEXT NOT NULL,
  type     TEXT NOT NULL,
  bytes    BLOB NOT NULL
) STRICT;
CREATE INDEX photo_of_rig ON photo (rig_id);
ALTER TABLE log_entry ADD COLUMN photo TEXT;

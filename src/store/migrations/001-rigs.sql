CREATE TABLE rig (
  id         TEXT PRIMARY KEY,
  name       TEXT NOT NULL,
  revision   INTEGER NOT NULL,
  created_at TEXT NOT NULL,
  saved_at   TEXT NOT NULL
) STRICT;

-- Every revision is kept: undo, history and comparison come from here.
CREATE TABLE rig_revision (
  rig_id   TEXT NOT NULL REFERENCES rig (id) ON DELETE CASCADE,
  revision INTEGER NOT NULL,
  document TEXT NOT NULL,
  saved_at TEXT NOT NULL,
  PRIMARY KEY (rig_id, revision)
) STRICT;

-- A save against an older revision is refused, and kept all the same.
CREATE TABLE rig_refused (
  id         INTEGER PRIMARY KEY,
  rig_id     TEXT NOT NULL REFERENCES rig (id) ON DELETE CASCADE,
  based_on   INTEGER NOT NULL,
  document   TEXT NOT NULL,
  refused_at TEXT NOT NULL
) STRICT;

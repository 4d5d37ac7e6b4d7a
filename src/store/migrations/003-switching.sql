-- How far the run sheet of a rig has come: one row a rig, counted up with every report.
CREATE TABLE switching (
  rig_id   TEXT PRIMARY KEY REFERENCES rig (id) ON DELETE CASCADE,
  version  INTEGER NOT NULL,
  -- The revision of the rig that the sheet was computed from.
  revision INTEGER NOT NULL,
  sheet    TEXT NOT NULL,
  session  TEXT NOT NULL,
  saved_at TEXT NOT NULL
) STRICT;

-- What happened to a rig, and when; nothing is ever changed or removed.
CREATE TABLE log_entry (
  id     INTEGER PRIMARY KEY,
  rig_id TEXT NOT NULL REFERENCES rig (id) ON DELETE CASCADE,
  at     TEXT NOT NULL,
  kind   TEXT NOT NULL,
  who    TEXT NOT NULL,
  text   TEXT NOT NULL,
  place  TEXT,
  -- Ids of lines, as JSON.
  lines  TEXT NOT NULL,
  -- The feeds that sources had from then on, by line, as JSON.
  fed    TEXT
) STRICT;

CREATE INDEX log_entry_of_rig ON log_entry (rig_id, id);

-- What the inlets of a device gave, as it was read; what that means is worked out from it.
CREATE TABLE inlet_sheet (
  id      INTEGER PRIMARY KEY,
  rig_id  TEXT NOT NULL REFERENCES rig (id) ON DELETE CASCADE,
  at      TEXT NOT NULL,
  -- Device, who, by what, and every reading, as JSON.
  sheet   TEXT NOT NULL
) STRICT;
CREATE INDEX inlet_sheet_of_rig ON inlet_sheet (rig_id, id);

-- What was put right and whether that helped, from all rigs: how likely what is wrong is learned from it.
CREATE TABLE repair (
  id      INTEGER PRIMARY KEY,
  -- Gone with its rig the rig's name is, not what was learned.
  rig_id  TEXT REFERENCES rig (id) ON DELETE SET NULL,
  line    TEXT NOT NULL,
  at      TEXT NOT NULL,
  who     TEXT NOT NULL,
  act     TEXT NOT NULL,
  what    TEXT NOT NULL,
  helped  INTEGER NOT NULL,
  -- What it counts as, as JSON.
  counts  TEXT NOT NULL
) STRICT;

-- Cables that were tested: what was seen; what that means is worked out from it.
CREATE TABLE cable_test (
  id           INTEGER PRIMARY KEY,
  label        TEXT NOT NULL,
  item         TEXT,
  at           TEXT NOT NULL,
  who          TEXT NOT NULL,
  connector    TEXT NOT NULL,
  observations TEXT NOT NULL
) STRICT;
CREATE INDEX cable_test_of_label ON cable_test (label, id);

-- What was measured on the lines of a rig: figures; the sound itself only where somebody asked for it.
CREATE TABLE measurement (
  id          INTEGER PRIMARY KEY,
  rig_id      TEXT NOT NULL REFERENCES rig (id) ON DELETE CASCADE,
  line        TEXT NOT NULL,
  at          TEXT NOT NULL,
  who         TEXT NOT NULL,
  -- A file, the browser's input, or the simulated interface.
  origin      TEXT NOT NULL,
  name        TEXT NOT NULL,
  -- In dB; unknown where nobody said.
  gain        REAL,
  measurement TEXT NOT NULL,
  -- What was predicted for it, as JSON.
  predicted   TEXT,
  audio       BLOB
) STRICT;
CREATE INDEX measurement_of_line ON measurement (rig_id, line, id);

-- Ladders, rung by rung.
CREATE TABLE ladder (
  id      INTEGER PRIMARY KEY,
  rig_id  TEXT NOT NULL REFERENCES rig (id) ON DELETE CASCADE,
  line    TEXT NOT NULL,
  at      TEXT NOT NULL,
  who     TEXT NOT NULL,
  ladder  TEXT NOT NULL
) STRICT;

-- Hunts, each as far as it has come; counted up with every step.
CREATE TABLE hunt (
  id      INTEGER PRIMARY KEY,
  rig_id  TEXT NOT NULL REFERENCES rig (id) ON DELETE CASCADE,
  version INTEGER NOT NULL,
  begun   TEXT NOT NULL,
  hunt    TEXT NOT NULL
) STRICT;
CREATE INDEX hunt_of_rig ON hunt (rig_id, id);

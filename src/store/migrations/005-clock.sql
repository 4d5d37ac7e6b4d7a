-- The clock of run sheets: at which moment it stood at which second since the machine was started.
CREATE TABLE clock (
  id     INTEGER PRIMARY KEY CHECK (id = 1),
  -- The start of the machine: another one, and nobody knows what has passed in between.
  boot   TEXT NOT NULL,
  -- Seconds since then, sleep included.
  uptime REAL NOT NULL,
  moment REAL NOT NULL
) STRICT;

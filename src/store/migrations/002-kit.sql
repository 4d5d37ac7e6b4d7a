-- What somebody owns. An item is saved whole; every former state of it is kept.
CREATE TABLE kit_item (
  id       TEXT PRIMARY KEY,
  position INTEGER NOT NULL,
  item     TEXT NOT NULL,
  saved_at TEXT NOT NULL
) STRICT;

CREATE TABLE kit_item_before (
  id       INTEGER PRIMARY KEY,
  item_id  TEXT NOT NULL,
  -- Null where it did not exist before.
  item     TEXT,
  saved_at TEXT NOT NULL
) STRICT;

-- A removed rig is not shown any more; nothing of it is lost.
ALTER TABLE rig ADD COLUMN removed_at TEXT;

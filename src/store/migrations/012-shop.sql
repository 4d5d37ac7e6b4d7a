-- Units that went to a repair shop, or should: what proves it, who was asked, what was done. They outlast their rig.
CREATE TABLE shop (
  id      INTEGER PRIMARY KEY,
  -- The item of the kit, where it is known.
  item    TEXT,
  rig_id  TEXT NOT NULL,
  version INTEGER NOT NULL,
  at      TEXT NOT NULL,
  record  TEXT NOT NULL
) STRICT;
CREATE INDEX shop_of_item ON shop (item, id);

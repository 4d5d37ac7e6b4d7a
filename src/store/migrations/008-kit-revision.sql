-- Every save of an item has a number of its own, never used twice: by it a save is known that was based on an older one.
ALTER TABLE kit_item ADD COLUMN revision INTEGER NOT NULL DEFAULT 0;

-- Sound lies in files beside the database, so that hours of it can be kept; older sound stays where it is.
ALTER TABLE measurement ADD COLUMN sound_bytes INTEGER;

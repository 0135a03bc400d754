-- What those who have a scene open have picked, for the others to see.
ALTER TABLE presence ADD COLUMN IF NOT EXISTS picked TEXT CHARACTER SET ascii COLLATE ascii_bin NOT NULL DEFAULT '[]';

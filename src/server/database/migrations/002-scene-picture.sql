-- A small picture of the scene for the front page, and the revision that it shows.
ALTER TABLE scene ADD COLUMN IF NOT EXISTS picture MEDIUMBLOB NULL;

ALTER TABLE scene ADD COLUMN IF NOT EXISTS picture_revision INT UNSIGNED NULL;

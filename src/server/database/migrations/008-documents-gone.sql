-- What the rows of records replace.
ALTER TABLE scene DROP COLUMN IF EXISTS document;

ALTER TABLE scene DROP COLUMN IF EXISTS document_revision;

DROP TABLE IF EXISTS artwork;

DROP TABLE IF EXISTS relief;

DROP TABLE IF EXISTS stroke;

DROP TABLE IF EXISTS shelf_recipe;

DROP TABLE IF EXISTS shelf_luminaire;

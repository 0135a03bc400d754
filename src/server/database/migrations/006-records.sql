-- A document is the set of its records: rows by collection and id.
CREATE TABLE IF NOT EXISTS scene_record (
  owner_id VARCHAR(64) NOT NULL,
  collection VARCHAR(32) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id VARCHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  document LONGTEXT NOT NULL,
  PRIMARY KEY (owner_id, collection, id),
  CONSTRAINT scene_record_owner FOREIGN KEY (owner_id) REFERENCES scene (id) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS project_record (
  owner_id VARCHAR(64) NOT NULL,
  collection VARCHAR(32) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id VARCHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  document LONGTEXT NOT NULL,
  PRIMARY KEY (owner_id, collection, id),
  CONSTRAINT project_record_owner FOREIGN KEY (owner_id) REFERENCES project (id) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- How many records of each collection there are, so that a limit is checked without counting.
ALTER TABLE scene ADD COLUMN IF NOT EXISTS counts TEXT NOT NULL DEFAULT '{}';

-- Fields of the document that are none of its collections.
ALTER TABLE scene ADD COLUMN IF NOT EXISTS rest MEDIUMTEXT NOT NULL DEFAULT '{}';

ALTER TABLE project ADD COLUMN IF NOT EXISTS counts TEXT NOT NULL DEFAULT '{}';

-- Counts the changes of the project's shared records.
ALTER TABLE project ADD COLUMN IF NOT EXISTS change_number INT UNSIGNED NOT NULL DEFAULT 0;

-- Who made a patch, and what it wrote over.
ALTER TABLE scene_revision ADD COLUMN IF NOT EXISTS author_id VARCHAR(64) NULL;

ALTER TABLE scene_revision ADD COLUMN IF NOT EXISTS author_name VARCHAR(40) NULL;

ALTER TABLE scene_revision ADD COLUMN IF NOT EXISTS overwritten LONGTEXT NOT NULL DEFAULT '[]';

-- Places of edits that were not taken, as others had deleted what they change.
ALTER TABLE scene_revision ADD COLUMN IF NOT EXISTS gone TEXT NOT NULL DEFAULT '[]';

-- The number of the change among those of the project, where a patch changed shared records.
ALTER TABLE scene_revision ADD COLUMN IF NOT EXISTS change_number INT UNSIGNED NULL;

-- The part of patches that changed shared records, for the other scenes of the project.
CREATE TABLE IF NOT EXISTS project_change (
  project_id VARCHAR(64) NOT NULL,
  change_number INT UNSIGNED NOT NULL,
  scene_id VARCHAR(64) NULL,
  transaction_id VARCHAR(64) NOT NULL,
  author_id VARCHAR(64) NULL,
  author_name VARCHAR(40) NULL,
  edits LONGTEXT NOT NULL,
  overwritten LONGTEXT NOT NULL,
  created_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  PRIMARY KEY (project_id, change_number),
  CONSTRAINT project_change_project FOREIGN KEY (project_id) REFERENCES project (id) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- The scene's own records at some of its revisions: any other one follows from the patches since.
CREATE TABLE IF NOT EXISTS scene_snapshot (
  scene_id VARCHAR(64) NOT NULL,
  revision INT UNSIGNED NOT NULL,
  document LONGTEXT NOT NULL,
  created_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  PRIMARY KEY (scene_id, revision),
  CONSTRAINT snapshot_scene FOREIGN KEY (scene_id) REFERENCES scene (id) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- Large patches come in pieces, and are taken when the last one is there.
CREATE TABLE IF NOT EXISTS patch_piece (
  scene_id VARCHAR(64) NOT NULL,
  transaction_id VARCHAR(64) NOT NULL,
  place INT UNSIGNED NOT NULL,
  edits LONGTEXT NOT NULL,
  created_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  PRIMARY KEY (scene_id, transaction_id, place),
  KEY piece_age (created_at),
  CONSTRAINT piece_scene FOREIGN KEY (scene_id) REFERENCES scene (id) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- Who has a scene open.
CREATE TABLE IF NOT EXISTS presence (
  scene_id VARCHAR(64) NOT NULL,
  client_id VARCHAR(64) NOT NULL,
  name VARCHAR(40) NOT NULL,
  seen_at DATETIME(3) NOT NULL,
  PRIMARY KEY (scene_id, client_id),
  KEY presence_age (seen_at),
  CONSTRAINT presence_scene FOREIGN KEY (scene_id) REFERENCES scene (id) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

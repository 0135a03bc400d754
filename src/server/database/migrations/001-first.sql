-- One idempotent statement a step; steps are parted by a line that ends in a semicolon.
CREATE TABLE IF NOT EXISTS project (
  id VARCHAR(64) NOT NULL PRIMARY KEY,
  name VARCHAR(120) NOT NULL,
  created_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  updated_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  binned_at DATETIME(3) NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS scene (
  id VARCHAR(64) NOT NULL PRIMARY KEY,
  project_id VARCHAR(64) NOT NULL,
  name VARCHAR(120) NOT NULL,
  document LONGTEXT NOT NULL,
  document_revision INT UNSIGNED NOT NULL,
  revision INT UNSIGNED NOT NULL,
  created_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  updated_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  binned_at DATETIME(3) NULL,
  KEY scene_project (project_id),
  CONSTRAINT scene_project FOREIGN KEY (project_id) REFERENCES project (id) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS scene_revision (
  scene_id VARCHAR(64) NOT NULL,
  revision INT UNSIGNED NOT NULL,
  transaction_id VARCHAR(64) NOT NULL,
  edits LONGTEXT NOT NULL,
  created_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  PRIMARY KEY (scene_id, revision),
  UNIQUE KEY scene_transaction (scene_id, transaction_id),
  CONSTRAINT revision_scene FOREIGN KEY (scene_id) REFERENCES scene (id) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS artwork (
  project_id VARCHAR(64) NOT NULL,
  id VARCHAR(64) NOT NULL,
  document TEXT NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT artwork_project FOREIGN KEY (project_id) REFERENCES project (id) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS relief (
  project_id VARCHAR(64) NOT NULL,
  id VARCHAR(64) NOT NULL,
  document MEDIUMTEXT NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT relief_project FOREIGN KEY (project_id) REFERENCES project (id) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS blob_file (
  sha256 CHAR(64) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  type VARCHAR(64) NOT NULL,
  size INT UNSIGNED NOT NULL,
  created_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS blob_chunk (
  sha256 CHAR(64) CHARACTER SET ascii NOT NULL,
  place INT UNSIGNED NOT NULL,
  bytes LONGBLOB NOT NULL,
  PRIMARY KEY (sha256, place),
  CONSTRAINT chunk_file FOREIGN KEY (sha256) REFERENCES blob_file (sha256) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- What people called a revision, and its small picture: most have neither.
CREATE TABLE IF NOT EXISTS scene_revision_mark (
  scene_id VARCHAR(64) NOT NULL,
  revision INT UNSIGNED NOT NULL,
  name VARCHAR(120) NULL,
  picture MEDIUMBLOB NULL,
  PRIMARY KEY (scene_id, revision),
  CONSTRAINT mark_scene FOREIGN KEY (scene_id) REFERENCES scene (id) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- The project's own kinds of lamps.
CREATE TABLE IF NOT EXISTS shelf_luminaire (
  project_id VARCHAR(64) NOT NULL,
  id VARCHAR(64) NOT NULL,
  document MEDIUMTEXT NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT luminaire_project FOREIGN KEY (project_id) REFERENCES project (id) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

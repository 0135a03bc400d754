-- Painted corrections of reliefs, and the project's own recipes.
CREATE TABLE IF NOT EXISTS stroke (
  project_id VARCHAR(64) NOT NULL,
  id VARCHAR(64) NOT NULL,
  document MEDIUMTEXT NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT stroke_project FOREIGN KEY (project_id) REFERENCES project (id) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS shelf_recipe (
  project_id VARCHAR(64) NOT NULL,
  id VARCHAR(64) NOT NULL,
  document MEDIUMTEXT NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT shelf_recipe_project FOREIGN KEY (project_id) REFERENCES project (id) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

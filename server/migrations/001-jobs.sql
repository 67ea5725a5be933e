CREATE TABLE team (
  id CHAR(36) NOT NULL PRIMARY KEY,
  name VARCHAR(80) NOT NULL,
  created_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4;

CREATE TABLE designer (
  id CHAR(36) NOT NULL PRIMARY KEY,
  team_id CHAR(36) NOT NULL,
  name VARCHAR(80) NOT NULL,
  created_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  CONSTRAINT designer_team FOREIGN KEY (team_id) REFERENCES team (id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4;

CREATE TABLE job (
  id CHAR(36) NOT NULL PRIMARY KEY,
  team_id CHAR(36) NOT NULL,
  name VARCHAR(80) NOT NULL,
  address VARCHAR(200) NOT NULL,
  revision BIGINT UNSIGNED NOT NULL DEFAULT 1,
  summary JSON NULL,
  summary_revision BIGINT UNSIGNED NULL,
  created_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  touched_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  deleted_at DATETIME(3) NULL,
  KEY job_list (team_id, deleted_at, touched_at),
  CONSTRAINT job_team FOREIGN KEY (team_id) REFERENCES team (id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4;

-- One house and some options to a job; the body holds the objects by their ids.
CREATE TABLE document (
  job_id CHAR(36) NOT NULL,
  id VARCHAR(64) NOT NULL,
  sort INT UNSIGNED NOT NULL,
  revision BIGINT UNSIGNED NOT NULL DEFAULT 1,
  kinds JSON NOT NULL,
  body JSON NOT NULL,
  PRIMARY KEY (job_id, id),
  CONSTRAINT document_job FOREIGN KEY (job_id) REFERENCES job (id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4;

-- Every edit that was saved. The client's id makes sending it twice harmless.
CREATE TABLE edit (
  id CHAR(36) NOT NULL PRIMARY KEY,
  job_id CHAR(36) NOT NULL,
  document_id VARCHAR(64) NOT NULL,
  revision BIGINT UNSIGNED NOT NULL,
  designer_id CHAR(36) NOT NULL,
  body JSON NOT NULL,
  saved_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  KEY edit_history (job_id, document_id, revision),
  CONSTRAINT edit_job FOREIGN KEY (job_id) REFERENCES job (id) ON DELETE CASCADE,
  CONSTRAINT edit_designer FOREIGN KEY (designer_id) REFERENCES designer (id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4;

-- Links that customers get. The token is the secret; only its digest is kept.
CREATE TABLE share (
  token_digest CHAR(64) NOT NULL PRIMARY KEY,
  job_id CHAR(36) NOT NULL,
  document_id VARCHAR(64) NOT NULL,
  created_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  CONSTRAINT share_job FOREIGN KEY (job_id) REFERENCES job (id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4;

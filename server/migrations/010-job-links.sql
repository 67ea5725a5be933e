-- Links to one job, to look at or to edit, for people without an account. Each has a designer of its own for a hand, so that
-- what is done by it is told from what others do; the secret is kept sealed, so that the link can be shown again.
CREATE TABLE job_link (
  id CHAR(36) NOT NULL PRIMARY KEY,
  digest CHAR(64) NOT NULL,
  sealed_secret VARCHAR(500) NOT NULL,
  job_id CHAR(36) NOT NULL,
  designer_id CHAR(36) NOT NULL,
  password_hash VARCHAR(200) NULL,
  made_by CHAR(36) NULL,
  made_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  expires_at DATETIME(3) NULL,
  withdrawn_at DATETIME(3) NULL,
  seen INT UNSIGNED NOT NULL DEFAULT 0,
  seen_at DATETIME(3) NULL,
  UNIQUE KEY job_link_digest (digest),
  KEY job_link_job (job_id, made_at),
  CONSTRAINT job_link_of FOREIGN KEY (job_id) REFERENCES job (id) ON DELETE CASCADE,
  CONSTRAINT job_link_hand FOREIGN KEY (designer_id) REFERENCES designer (id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4;

-- The versions of the kinds that an edit's objects are written in, so that a job's past is read as what it was; unknown
-- for edits of before.
ALTER TABLE edit ADD COLUMN kinds JSON NULL;

-- Moments of a job's past that somebody gave a name.
CREATE TABLE job_version (
  job_id CHAR(36) NOT NULL,
  id CHAR(36) NOT NULL,
  name VARCHAR(80) NOT NULL,
  -- The last revision of the job that belongs to it.
  job_revision BIGINT UNSIGNED NOT NULL,
  designer_id CHAR(36) NOT NULL,
  made_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  PRIMARY KEY (job_id, id),
  CONSTRAINT version_job FOREIGN KEY (job_id) REFERENCES job (id) ON DELETE CASCADE,
  CONSTRAINT version_designer FOREIGN KEY (designer_id) REFERENCES designer (id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4;

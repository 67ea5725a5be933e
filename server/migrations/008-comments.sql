-- What a team says to each other about a job: about an object, a line of the ledger, or the whole.
CREATE TABLE comment (
  job_id CHAR(36) NOT NULL,
  id CHAR(36) NOT NULL,
  -- The id of an object, `line:` and the id of a line, or nothing.
  about VARCHAR(80) NOT NULL,
  -- The comment that it answers: always the first of its thread.
  answers CHAR(36) NULL,
  body VARCHAR(2000) NOT NULL,
  designer_id CHAR(36) NOT NULL,
  made_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  -- Of the first of a thread, where nothing is left to do.
  resolved_at DATETIME(3) NULL,
  resolved_by CHAR(36) NULL,
  PRIMARY KEY (job_id, id),
  KEY comment_list (job_id, made_at),
  CONSTRAINT comment_job FOREIGN KEY (job_id) REFERENCES job (id) ON DELETE CASCADE,
  CONSTRAINT comment_thread FOREIGN KEY (job_id, answers) REFERENCES comment (job_id, id) ON DELETE CASCADE,
  CONSTRAINT comment_designer FOREIGN KEY (designer_id) REFERENCES designer (id),
  CONSTRAINT comment_resolver FOREIGN KEY (resolved_by) REFERENCES designer (id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4;

-- Threads that are open, and a number that changes with every comment so that screens hear of it.
ALTER TABLE job
  ADD COLUMN open_comments INT UNSIGNED NOT NULL DEFAULT 0,
  ADD COLUMN comment_mark INT UNSIGNED NOT NULL DEFAULT 0;

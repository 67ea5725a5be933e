-- Where a job stands in the team's work, and what is to be done next.
ALTER TABLE job
  ADD COLUMN status VARCHAR(10) NOT NULL DEFAULT 'lead',
  ADD COLUMN tags VARCHAR(300) NOT NULL DEFAULT '',
  ADD COLUMN notes VARCHAR(2000) NOT NULL DEFAULT '',
  ADD COLUMN owner_id CHAR(36) NULL,
  ADD COLUMN next_step VARCHAR(200) NOT NULL DEFAULT '',
  ADD COLUMN next_on DATE NULL,
  ADD COLUMN archived_at DATETIME(3) NULL,
  -- 1: new jobs may start from it; 2: they do unless another is chosen.
  ADD COLUMN template TINYINT UNSIGNED NOT NULL DEFAULT 0,
  ADD CONSTRAINT job_owner FOREIGN KEY (owner_id) REFERENCES designer (id) ON DELETE SET NULL;

-- What was offered or accepted before jobs had a status.
UPDATE job SET status = 'offered' WHERE id IN (SELECT job_id FROM share);
UPDATE job SET status = 'accepted' WHERE id IN (SELECT job_id FROM share WHERE accepted_at IS NOT NULL);

-- The list reads what it is looked for by in the index alone, the last touched first; and counts, and next steps, in
-- their own order. The index that it read before stays for now: an earlier version of the application may still run.
ALTER TABLE job
  ADD KEY job_shelf (team_id, deleted_at, archived_at, touched_at, id, status, tags),
  ADD KEY job_counts (team_id, deleted_at, archived_at, status, tags),
  ADD KEY job_next (team_id, deleted_at, archived_at, next_on, touched_at, id),
  ADD KEY job_bin (deleted_at),
  ADD KEY job_template (team_id, template, name);

-- What a job is searched by, small and apart from it so that all of a team's is read at once: in small letters, without
-- accents. Version 0 is only in small letters; the application writes it again.
CREATE TABLE job_words (
  team_id CHAR(36) NOT NULL,
  job_id CHAR(36) NOT NULL,
  version TINYINT UNSIGNED NOT NULL,
  words VARBINARY(12000) NOT NULL,
  PRIMARY KEY (team_id, job_id),
  KEY words_version (version),
  CONSTRAINT words_job FOREIGN KEY (job_id) REFERENCES job (id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4;
INSERT INTO job_words (team_id, job_id, version, words)
  SELECT team_id, id, 0, LOWER(CONCAT_WS(' ', name, address)) FROM job;

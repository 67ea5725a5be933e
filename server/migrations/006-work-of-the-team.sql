-- Where a job stands in the team's work, what is to be done next, and words to find it by.
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

-- The list reads everything it is filtered by in the index alone, the last touched first.
ALTER TABLE job
  ADD KEY job_shelf (team_id, deleted_at, archived_at, touched_at, status, next_on, name, address, tags),
  ADD KEY job_bin (deleted_at),
  ADD KEY job_template (team_id, template, name),
  DROP KEY job_search;

-- Every word counts, however common.
SET SESSION innodb_ft_enable_stopword = OFF;
ALTER TABLE job ADD FULLTEXT KEY job_words (name, address, tags, notes, next_step);

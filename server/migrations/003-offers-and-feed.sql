-- An edit's id is its job's own, and edits have an order in their job that others can follow.
ALTER TABLE edit
  ADD COLUMN job_revision BIGINT UNSIGNED NOT NULL DEFAULT 0,
  ADD COLUMN position INT UNSIGNED NOT NULL DEFAULT 0,
  ADD COLUMN screen_id CHAR(36) NULL,
  DROP PRIMARY KEY,
  ADD PRIMARY KEY (job_id, id),
  ADD KEY edit_feed (job_id, job_revision, position);

-- A link and what its customer sees: the proposal as it was sent, computed once.
ALTER TABLE share
  ADD COLUMN id CHAR(36) NULL,
  ADD COLUMN name VARCHAR(80) NULL,
  ADD COLUMN house_revision BIGINT UNSIGNED NULL,
  ADD COLUMN option_revision BIGINT UNSIGNED NULL,
  ADD COLUMN body MEDIUMBLOB NULL,
  ADD COLUMN sealed_token VARCHAR(400) NULL,
  ADD COLUMN designer_id CHAR(36) NULL,
  ADD COLUMN withdrawn_at DATETIME(3) NULL,
  ADD COLUMN seen INT UNSIGNED NOT NULL DEFAULT 0,
  ADD COLUMN seen_at DATETIME(3) NULL,
  ADD KEY share_list (job_id, created_at);
UPDATE share SET id = UUID() WHERE id IS NULL;
ALTER TABLE share MODIFY id CHAR(36) NOT NULL, ADD UNIQUE KEY share_id (id);

-- Who has a job open, and what is selected there.
CREATE TABLE presence (
  job_id CHAR(36) NOT NULL,
  screen_id CHAR(36) NOT NULL,
  designer_id CHAR(36) NOT NULL,
  selection VARCHAR(200) NULL,
  seen_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  PRIMARY KEY (job_id, screen_id),
  KEY presence_age (seen_at),
  CONSTRAINT presence_job FOREIGN KEY (job_id) REFERENCES job (id) ON DELETE CASCADE,
  CONSTRAINT presence_designer FOREIGN KEY (designer_id) REFERENCES designer (id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4;

-- When the figures in the list were last computed, for whoever looks at it meanwhile.
ALTER TABLE job ADD COLUMN summary_at DATETIME(3) NULL, ADD KEY job_summary_at (team_id, summary_at);

-- A search reads names and addresses in the index alone, the last touched first.
ALTER TABLE job
  ADD KEY job_search (team_id, deleted_at, touched_at, name, address),
  DROP KEY job_list;

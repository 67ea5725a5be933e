-- Long work that processes of their own take, one after the other: whoever wants it waits for its end here. `due_at` is when
-- it may be taken; whoever takes it moves that on for as long as it lives, so that what a dead process held is due again.
CREATE TABLE work (
  id CHAR(36) NOT NULL PRIMARY KEY,
  task VARCHAR(20) NOT NULL,
  team_id CHAR(36) NOT NULL,
  same VARCHAR(100) NULL,
  urgency TINYINT UNSIGNED NOT NULL,
  input TEXT NOT NULL,
  given LONGBLOB NULL,
  state ENUM('open', 'done', 'fault', 'aside') NOT NULL DEFAULT 'open',
  attempts INT UNSIGNED NOT NULL DEFAULT 0,
  taken_by CHAR(36) NULL,
  progress FLOAT NULL,
  outcome TEXT NULL,
  made LONGBLOB NULL,
  made_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  due_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  wanted_until DATETIME(3) NULL,
  ended_at DATETIME(3) NULL,
  UNIQUE KEY work_same (task, same),
  KEY work_due (state, urgency, due_at),
  KEY work_ended (team_id, ended_at)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4;

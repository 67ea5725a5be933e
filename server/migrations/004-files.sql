-- Pictures and drawings that a team lays under its models. The id is a digest of the file; drawings are kept gzipped.
CREATE TABLE file (
  team_id CHAR(36) NOT NULL,
  id CHAR(24) NOT NULL,
  media_type VARCHAR(40) NOT NULL,
  size_bytes INT UNSIGNED NOT NULL,
  body MEDIUMBLOB NOT NULL,
  created_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  PRIMARY KEY (team_id, id),
  CONSTRAINT file_team FOREIGN KEY (team_id) REFERENCES team (id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4;

-- Weather files that a team imported, as canonical tables, gzipped. The id is a digest of the table.
CREATE TABLE weather (
  team_id CHAR(36) NOT NULL,
  id CHAR(24) NOT NULL,
  name VARCHAR(80) NOT NULL,
  latitude_deg DOUBLE NOT NULL,
  longitude_deg DOUBLE NOT NULL,
  elevation_m DOUBLE NOT NULL,
  body MEDIUMBLOB NOT NULL,
  created_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  PRIMARY KEY (team_id, id),
  CONSTRAINT weather_team FOREIGN KEY (team_id) REFERENCES team (id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4;

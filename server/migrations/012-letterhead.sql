-- Who a team is to its customers: stands at the head of what they get from now on; what was sent keeps its own.
CREATE TABLE letterhead (
  team_id CHAR(36) NOT NULL PRIMARY KEY,
  name VARCHAR(80) NOT NULL,
  licence VARCHAR(60) NOT NULL DEFAULT '',
  postal VARCHAR(160) NOT NULL DEFAULT '',
  phone VARCHAR(40) NOT NULL DEFAULT '',
  mail VARCHAR(254) NOT NULL DEFAULT '',
  web VARCHAR(120) NOT NULL DEFAULT '',
  colour CHAR(7) NOT NULL,
  logo MEDIUMBLOB NULL,
  logo_type VARCHAR(20) NULL,
  CONSTRAINT letterhead_team FOREIGN KEY (team_id) REFERENCES team (id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4;

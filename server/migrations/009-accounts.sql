-- What somebody may do in the team, and whether they have left it. Whoever was there before runs this machine.
ALTER TABLE designer
  ADD COLUMN role VARCHAR(10) NOT NULL DEFAULT 'owner',
  ADD COLUMN left_at DATETIME(3) NULL;

-- How somebody signs in; on one's own machine nobody has one.
CREATE TABLE account (
  designer_id CHAR(36) NOT NULL PRIMARY KEY,
  mail VARCHAR(254) NOT NULL,
  password_hash VARCHAR(200) NOT NULL,
  -- The second factor's key, sealed, and the last step of time whose code was taken: none is taken twice.
  code_key VARCHAR(500) NULL,
  code_step BIGINT UNSIGNED NULL,
  created_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  UNIQUE KEY account_mail (mail),
  CONSTRAINT account_designer FOREIGN KEY (designer_id) REFERENCES designer (id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4;

-- Codes for the day the second factor is lost; only their digests are kept, and each works once.
CREATE TABLE spare_code (
  designer_id CHAR(36) NOT NULL,
  digest CHAR(64) NOT NULL,
  PRIMARY KEY (designer_id, digest),
  CONSTRAINT spare_code_account FOREIGN KEY (designer_id) REFERENCES account (designer_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4;

-- Where somebody is signed in. The cookie holds the secret; only its digest is kept.
CREATE TABLE sign_in (
  digest CHAR(64) NOT NULL PRIMARY KEY,
  id CHAR(36) NOT NULL,
  designer_id CHAR(36) NOT NULL,
  device VARCHAR(300) NOT NULL,
  place VARCHAR(64) NOT NULL,
  begun_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  seen_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  KEY sign_in_designer (designer_id),
  KEY sign_in_seen (seen_at),
  CONSTRAINT sign_in_account FOREIGN KEY (designer_id) REFERENCES account (designer_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4;

-- Attempts that failed, by the digest of the address that was given, whether there is an account or not.
CREATE TABLE failed_sign_in (
  mail_digest CHAR(64) NOT NULL PRIMARY KEY,
  failures INT UNSIGNED NOT NULL,
  last_at DATETIME(3) NOT NULL,
  KEY failed_last (last_at)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4;

-- Links that were mailed: to join a team, or to set a new password.
CREATE TABLE mailed_link (
  digest CHAR(64) NOT NULL PRIMARY KEY,
  id CHAR(36) NOT NULL,
  purpose VARCHAR(10) NOT NULL,
  team_id CHAR(36) NOT NULL,
  -- Whose password is set, or who of before anybody signed in becomes an account.
  designer_id CHAR(36) NULL,
  mail VARCHAR(254) NOT NULL,
  role VARCHAR(10) NOT NULL,
  made_by CHAR(36) NULL,
  made_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  expires_at DATETIME(3) NOT NULL,
  used_at DATETIME(3) NULL,
  KEY link_team (team_id, purpose, used_at),
  KEY link_designer (designer_id),
  KEY link_expires (expires_at),
  CONSTRAINT mailed_link_team FOREIGN KEY (team_id) REFERENCES team (id),
  CONSTRAINT mailed_link_designer FOREIGN KEY (designer_id) REFERENCES designer (id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4;

-- Mail that waits to be sent, its text sealed, for it holds links; gone once it is sent.
CREATE TABLE outgoing_mail (
  id CHAR(36) NOT NULL PRIMARY KEY,
  recipient VARCHAR(254) NOT NULL,
  sealed TEXT NOT NULL,
  made_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  due_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  attempts INT UNSIGNED NOT NULL DEFAULT 0,
  KEY mail_due (due_at)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4;

-- What was done about accounts and who may do what, and from where.
CREATE TABLE audit (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  team_id CHAR(36) NOT NULL,
  designer_id CHAR(36) NULL,
  what VARCHAR(30) NOT NULL,
  about VARCHAR(300) NOT NULL,
  place VARCHAR(64) NOT NULL,
  at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  KEY audit_team (team_id, id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4;

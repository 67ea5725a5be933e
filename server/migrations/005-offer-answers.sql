-- How long an offer holds, and who has accepted it: the name, the drawing of the hand, the way to pay, the digest of
-- what was accepted. And the file that its figures can be verified from.
ALTER TABLE share
  ADD COLUMN expires_at DATETIME(3) NULL,
  ADD COLUMN accepted_at DATETIME(3) NULL,
  ADD COLUMN accepted_by VARCHAR(120) NULL,
  ADD COLUMN accepted_way VARCHAR(10) NULL,
  ADD COLUMN accepted_digest CHAR(64) NULL,
  ADD COLUMN signature MEDIUMTEXT NULL,
  ADD COLUMN file MEDIUMBLOB NULL;

-- What customers ask of whoever sent an offer.
CREATE TABLE offer_question (
  id CHAR(36) NOT NULL PRIMARY KEY,
  share_id CHAR(36) NOT NULL,
  asked_by VARCHAR(120) NOT NULL,
  question VARCHAR(2000) NOT NULL,
  asked_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  KEY question_list (share_id, asked_at),
  CONSTRAINT question_share FOREIGN KEY (share_id) REFERENCES share (id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4;

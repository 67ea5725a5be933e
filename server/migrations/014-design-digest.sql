-- What an offer's figures and page are made from, as a digest: photos, visits and the like may change while it stands.
ALTER TABLE share ADD COLUMN design_digest CHAR(64) CHARACTER SET ascii NULL;

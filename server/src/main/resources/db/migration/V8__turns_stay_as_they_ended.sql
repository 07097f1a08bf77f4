-- What somebody gave, and what stood around it, when a turn ended: the text whose hash the trail names. Never changed.
CREATE TABLE turn_snapshot (
  dispatch_id UUID         NOT NULL,
  role        VARCHAR(100) NOT NULL,
  place       INT          NOT NULL,
  content     CLOB         NOT NULL,
  -- The hash of the trail up to the end of the turn, and the time stamp (RFC 3161) on it once there is one.
  chain       VARCHAR(64),
  stamp       BLOB,
  stamp_tries INT          DEFAULT 0 NOT NULL,
  stamp_next  TIMESTAMP WITH TIME ZONE,
  PRIMARY KEY (dispatch_id, role),
  FOREIGN KEY (dispatch_id, role) REFERENCES party (dispatch_id, role)
);

-- What of a record stands as it stood when a turn ended, whatever its conditions say now; a JSON object.
ALTER TABLE record ADD COLUMN settled CLOB DEFAULT '{"shown":[],"notes":{}}' NOT NULL;

-- Why a release was made although something was found that should keep it from being made; empty where nothing was.
ALTER TABLE release ADD COLUMN accepted VARCHAR(4000) DEFAULT '' NOT NULL;

-- Where a payer goes back to was the secret of a signer; their own page knows it.
ALTER TABLE outside_payment DROP COLUMN back;

-- What is hashed is the text of an entry as it is kept here. Entries of before have their parts and no text.
ALTER TABLE trail ADD COLUMN text CLOB;
ALTER TABLE trail ALTER COLUMN who DROP NOT NULL;
ALTER TABLE trail ALTER COLUMN origin DROP NOT NULL;
ALTER TABLE trail ALTER COLUMN event DROP NOT NULL;
ALTER TABLE trail ALTER COLUMN before DROP NOT NULL;

-- Why the finished document cannot be sealed, for its sender; empty where nothing is in the way.
ALTER TABLE dispatch ADD COLUMN seal_problem VARCHAR(1000) DEFAULT '' NOT NULL;

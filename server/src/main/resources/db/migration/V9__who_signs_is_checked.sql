-- What a sender asks of a person beside following the link, and whether the person has passed it.
ALTER TABLE party ADD COLUMN phone VARCHAR(60) DEFAULT '' NOT NULL;
ALTER TABLE party ADD COLUMN identity_check VARCHAR(10) DEFAULT 'LINK' NOT NULL
  CHECK (identity_check IN ('LINK', 'MAIL_CODE', 'TEXT_CODE', 'PHRASE'));
ALTER TABLE party ADD COLUMN identified BOOLEAN DEFAULT FALSE NOT NULL;

-- The phrase that was agreed with a person, and the codes that were sent: as hashes with a salt.
CREATE TABLE identity_secret (
  id          BIGINT GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  dispatch_id UUID         NOT NULL,
  role        VARCHAR(100) NOT NULL,
  hash        VARCHAR(200) NOT NULL,
  phrase      BOOLEAN      NOT NULL,
  made        TIMESTAMP WITH TIME ZONE NOT NULL,
  -- A code serves once.
  spent       BOOLEAN DEFAULT FALSE NOT NULL,
  tries       INT DEFAULT 0 NOT NULL,
  tried       TIMESTAMP WITH TIME ZONE NOT NULL,
  FOREIGN KEY (dispatch_id, role) REFERENCES party (dispatch_id, role)
);
CREATE INDEX identity_secret_party ON identity_secret (dispatch_id, role);

-- The browsers in which a person has shown who they are; kept as SHA-256 of a random text.
CREATE TABLE identity_pass (
  hash        BINARY(32)   PRIMARY KEY,
  dispatch_id UUID         NOT NULL,
  role        VARCHAR(100) NOT NULL,
  until       TIMESTAMP WITH TIME ZONE NOT NULL,
  FOREIGN KEY (dispatch_id, role) REFERENCES party (dispatch_id, role)
);
CREATE INDEX identity_pass_party ON identity_pass (dispatch_id, role);

-- Whoever is named through an open link is asked for a code that is sent by mail.
ALTER TABLE open_link ADD COLUMN mail_code BOOLEAN DEFAULT FALSE NOT NULL;

-- Messages go by mail or as text messages; a code in one is treated as a link is.
ALTER TABLE outside_mail ADD COLUMN service VARCHAR(20) DEFAULT 'MAIL' NOT NULL;
ALTER TABLE outside_mail ADD COLUMN code VARCHAR(10) DEFAULT '' NOT NULL;

-- What names a file names the hash of its bytes.
ALTER TABLE handed_in ALTER COLUMN id SET DATA TYPE VARCHAR(120);

-- Whether files that are handed in go into the sealed document.
ALTER TABLE open_link ADD COLUMN files_inside BOOLEAN DEFAULT FALSE NOT NULL;

-- Certificates of the authority that hold no longer, by their serial numbers.
CREATE TABLE outside_revocation (
  serial VARCHAR(60) PRIMARY KEY,
  since  TIMESTAMP WITH TIME ZONE NOT NULL
);

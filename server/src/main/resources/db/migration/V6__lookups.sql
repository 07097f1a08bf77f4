-- The lookup lists of the organisation. Versions are never changed.
CREATE TABLE lookup (
  id   UUID PRIMARY KEY,
  name VARCHAR(200) NOT NULL
);

CREATE TABLE lookup_version (
  lookup_id  UUID   NOT NULL REFERENCES lookup (id),
  version    INT    NOT NULL,
  content    CLOB   NOT NULL,
  account_id BIGINT NOT NULL REFERENCES account (id),
  made       TIMESTAMP WITH TIME ZONE NOT NULL,
  PRIMARY KEY (lookup_id, version)
);

-- Files that fillers handed in, and those authors tried out. Known by a random identity, and only where they were handed in.
CREATE TABLE handed_in (
  id          VARCHAR(32) PRIMARY KEY,
  filling_id  BIGINT REFERENCES filling (id),
  template_id UUID REFERENCES template (id),
  account_id  BIGINT REFERENCES account (id),
  name        VARCHAR(255) NOT NULL,
  media       VARCHAR(60)  NOT NULL,
  content     BLOB         NOT NULL,
  added       TIMESTAMP WITH TIME ZONE NOT NULL,
  -- Either a filling it belongs to, or a template and the author who tries it.
  CHECK ((filling_id IS NULL) <> (template_id IS NULL))
);

CREATE INDEX handed_in_filling ON handed_in (filling_id);
CREATE INDEX handed_in_template ON handed_in (template_id, account_id);

-- Documents made of a table of answers: the answers as they were brought, and each document as soon as it is made.
CREATE TABLE merge_run (
  id UUID PRIMARY KEY,
  template_id UUID NOT NULL,
  release INT NOT NULL,
  making VARCHAR(20) NOT NULL,
  name VARCHAR(200) NOT NULL,
  answers BLOB NOT NULL,
  documents INT NOT NULL,
  account_id BIGINT NOT NULL REFERENCES account (id),
  begun TIMESTAMP WITH TIME ZONE NOT NULL,
  ended TIMESTAMP WITH TIME ZONE,
  FOREIGN KEY (template_id, release) REFERENCES release (template_id, number)
);
CREATE INDEX merge_run_under_way ON merge_run (ended, begun);

CREATE TABLE merged_document (
  run_id UUID NOT NULL REFERENCES merge_run (id) ON DELETE CASCADE,
  number INT NOT NULL,
  name VARCHAR(200) NOT NULL,
  -- NULL where it could not be made.
  content BLOB,
  -- A sentence in each line.
  problems CLOB NOT NULL,
  PRIMARY KEY (run_id, number)
);

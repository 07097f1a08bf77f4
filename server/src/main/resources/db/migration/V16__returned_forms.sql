-- Records made of files with answers: what file it was, which document in it, and the file itself where it is of this one only.
CREATE TABLE returned_form (
  template_id UUID NOT NULL,
  number INT NOT NULL,
  name VARCHAR(200) NOT NULL,
  digest CHAR(64) NOT NULL,
  position INT NOT NULL,
  content BLOB,
  account_id BIGINT NOT NULL REFERENCES account (id),
  brought TIMESTAMP WITH TIME ZONE NOT NULL,
  PRIMARY KEY (template_id, number),
  UNIQUE (template_id, digest, position),
  FOREIGN KEY (template_id, number) REFERENCES record (template_id, number) ON DELETE CASCADE
);

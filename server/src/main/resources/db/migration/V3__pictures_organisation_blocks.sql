-- As whom, and at which stage, an author sees the document in the Draft view.
ALTER TABLE tryout ADD COLUMN stage VARCHAR(10) DEFAULT 'FILLING' NOT NULL;
ALTER TABLE tryout ADD COLUMN role VARCHAR(100) DEFAULT '' NOT NULL;

-- Pictures beside a template. A name never stands for another picture, so that releases keep theirs.
CREATE TABLE template_picture (
  template_id UUID         NOT NULL REFERENCES template (id),
  name        VARCHAR(100) NOT NULL,
  media       VARCHAR(60)  NOT NULL,
  content     BLOB         NOT NULL,
  added       TIMESTAMP WITH TIME ZONE NOT NULL,
  PRIMARY KEY (template_id, name)
);

-- Who hands the documents out: one row at the most.
CREATE TABLE organisation (
  one    BOOLEAN DEFAULT TRUE PRIMARY KEY CHECK (one),
  name   VARCHAR(200) NOT NULL,
  accent VARCHAR(7)   NOT NULL,
  media  VARCHAR(60),
  logo   BLOB
);

-- Each author's own library of blocks: sections to be used again. Versions are never changed.
CREATE TABLE block (
  id         UUID PRIMARY KEY,
  account_id BIGINT       NOT NULL REFERENCES account (id),
  name       VARCHAR(200) NOT NULL
);

CREATE TABLE block_version (
  block_id UUID NOT NULL REFERENCES block (id),
  version  INT  NOT NULL,
  document CLOB NOT NULL,
  kept     TIMESTAMP WITH TIME ZONE NOT NULL,
  PRIMARY KEY (block_id, version)
);

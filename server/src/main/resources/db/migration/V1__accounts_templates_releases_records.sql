CREATE TABLE account (
  id            BIGINT GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  name          VARCHAR(200)  NOT NULL UNIQUE,
  password_hash VARCHAR(200)  NOT NULL,
  created       TIMESTAMP WITH TIME ZONE NOT NULL
);

-- The working copy of each template, as the text of its template file.
CREATE TABLE template (
  id       UUID PRIMARY KEY,
  title    VARCHAR(1000) NOT NULL,
  document CLOB          NOT NULL,
  revision INT           NOT NULL,
  created  TIMESTAMP WITH TIME ZONE NOT NULL,
  changed  TIMESTAMP WITH TIME ZONE NOT NULL
);

-- Every accepted edit, undo and redo, with what it changed. Rows are never deleted.
CREATE TABLE edit (
  template_id UUID        NOT NULL REFERENCES template (id),
  revision    INT         NOT NULL,
  account_id  BIGINT      NOT NULL REFERENCES account (id),
  kind        VARCHAR(10) NOT NULL CHECK (kind IN ('EDIT', 'UNDO', 'REDO')),
  -- Of an EDIT: whether it stands, was undone and can be redone, or was undone and can no more be.
  standing    VARCHAR(10) NOT NULL CHECK (standing IN ('DONE', 'UNDONE', 'DROPPED')),
  change      CLOB        NOT NULL,
  made        TIMESTAMP WITH TIME ZONE NOT NULL,
  PRIMARY KEY (template_id, revision)
);

-- What an author has typed into the document in the Draft view.
CREATE TABLE tryout (
  template_id UUID   NOT NULL REFERENCES template (id),
  account_id  BIGINT NOT NULL REFERENCES account (id),
  answers     CLOB   NOT NULL,
  PRIMARY KEY (template_id, account_id)
);

CREATE TABLE release (
  template_id UUID NOT NULL REFERENCES template (id),
  number      INT  NOT NULL,
  revision    INT  NOT NULL,
  document    CLOB NOT NULL,
  notes       VARCHAR(4000) NOT NULL,
  account_id  BIGINT NOT NULL REFERENCES account (id),
  released    TIMESTAMP WITH TIME ZONE NOT NULL,
  PRIMARY KEY (template_id, number)
);

-- Links are kept as SHA-256 of their random part, so that whoever reads the database cannot use them.
CREATE TABLE link (
  hash        BINARY(32) PRIMARY KEY,
  template_id UUID NOT NULL,
  release     INT  NOT NULL,
  created     TIMESTAMP WITH TIME ZONE NOT NULL,
  FOREIGN KEY (template_id, release) REFERENCES release (template_id, number)
);

-- One person's way through a document; known to their browser by a secret kept here as SHA-256.
CREATE TABLE filling (
  id       BIGINT GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  link     BINARY(32) NOT NULL REFERENCES link (hash),
  secret   BINARY(32) NOT NULL UNIQUE,
  started  TIMESTAMP WITH TIME ZONE NOT NULL,
  changed  TIMESTAMP WITH TIME ZONE NOT NULL,
  finished TIMESTAMP WITH TIME ZONE
);

CREATE TABLE answer (
  filling_id BIGINT       NOT NULL REFERENCES filling (id),
  item       VARCHAR(100) NOT NULL,
  typed      CLOB         NOT NULL,
  PRIMARY KEY (filling_id, item)
);

CREATE TABLE record (
  template_id UUID   NOT NULL,
  number      INT    NOT NULL,
  release     INT    NOT NULL,
  filling_id  BIGINT NOT NULL UNIQUE REFERENCES filling (id),
  finished    TIMESTAMP WITH TIME ZONE NOT NULL,
  -- The answers that counted, as they were typed, in a JSON object.
  answers     CLOB   NOT NULL,
  PRIMARY KEY (template_id, number),
  FOREIGN KEY (template_id, release) REFERENCES release (template_id, number)
);

-- PDF files beside templates, whose pages documents are written on.
CREATE TABLE template_sheet (
  template_id UUID NOT NULL REFERENCES template ON DELETE CASCADE,
  name VARCHAR(100) NOT NULL,
  content BLOB NOT NULL,
  -- As it was brought, where it was; with the name it had then.
  original BLOB,
  original_name VARCHAR(200) DEFAULT '' NOT NULL,
  added TIMESTAMP WITH TIME ZONE NOT NULL,
  PRIMARY KEY (template_id, name)
);

-- Their pages as pictures. A file of another content has another name, so that they never change.
CREATE TABLE sheet_picture (
  template_id UUID NOT NULL,
  name VARCHAR(100) NOT NULL,
  page INT NOT NULL,
  content BLOB NOT NULL,
  PRIMARY KEY (template_id, name, page),
  FOREIGN KEY (template_id, name) REFERENCES template_sheet ON DELETE CASCADE
);

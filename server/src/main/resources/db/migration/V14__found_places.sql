-- What is found on the pages of PDF files to be filled in. Made of the file as it was brought; made anew where it is not here.
CREATE TABLE sheet_found (
  template_id UUID NOT NULL,
  name VARCHAR(100) NOT NULL,
  page INT NOT NULL,
  content CLOB NOT NULL,
  PRIMARY KEY (template_id, name, page),
  FOREIGN KEY (template_id, name) REFERENCES template_sheet ON DELETE CASCADE
);

-- Of what is found, what authors do not want.
CREATE TABLE sheet_left (
  template_id UUID NOT NULL,
  name VARCHAR(100) NOT NULL,
  page INT NOT NULL,
  number INT NOT NULL,
  PRIMARY KEY (template_id, name, page, number),
  FOREIGN KEY (template_id, name) REFERENCES template_sheet ON DELETE CASCADE
);

-- Documents of word processors as they were brought, beside the templates that were made of them.
CREATE TABLE template_original (
  template_id UUID PRIMARY KEY REFERENCES template ON DELETE CASCADE,
  name VARCHAR(200) NOT NULL,
  content BLOB NOT NULL
);

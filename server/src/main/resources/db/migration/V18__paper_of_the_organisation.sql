-- What documents are printed on that are begun from now on.
ALTER TABLE organisation ADD COLUMN paper VARCHAR(10) DEFAULT 'A4' NOT NULL;

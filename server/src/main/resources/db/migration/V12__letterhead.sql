-- How the paper of the organisation looks: the lines beneath its name, what stands at the foot, what text is set in.
ALTER TABLE organisation ADD COLUMN letterhead VARCHAR(1000) DEFAULT '' NOT NULL;
ALTER TABLE organisation ADD COLUMN footer VARCHAR(300) DEFAULT '' NOT NULL;
ALTER TABLE organisation ADD COLUMN typeface VARCHAR(10) DEFAULT 'SANS' NOT NULL;

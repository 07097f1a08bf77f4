-- Passkeys (W3C, Web Authentication): what it takes to see that a device has the private key. Nothing of it is secret.
CREATE TABLE passkey (
  id          BIGINT GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  account_id  BIGINT NOT NULL REFERENCES account (id),
  credential  VARBINARY(1023)   NOT NULL UNIQUE,
  label       VARCHAR(100)      NOT NULL,
  public_key  VARBINARY(10000)  NOT NULL,
  attestation VARBINARY(100000) NOT NULL,
  transports  VARCHAR(200)      NOT NULL,
  backup_eligible BOOLEAN NOT NULL,
  backed_up   BOOLEAN NOT NULL,
  signatures  BIGINT  NOT NULL,
  made        TIMESTAMP WITH TIME ZONE NOT NULL,
  used        TIMESTAMP WITH TIME ZONE
);
CREATE INDEX passkey_account ON passkey (account_id);

-- By what devices know an account: random, so that it tells nothing, and never another account's, whatever its name was.
ALTER TABLE account ADD COLUMN handle VARBINARY(64);
CREATE UNIQUE INDEX account_handle ON account (handle);

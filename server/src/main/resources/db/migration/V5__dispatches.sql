-- What an account may do: authors everything, senders send and read, readers read.
ALTER TABLE account ADD COLUMN role VARCHAR(10) DEFAULT 'AUTHOR' NOT NULL CHECK (role IN ('AUTHOR', 'SENDER', 'READER'));

-- The answers of a dispatch are a filling that is reached through the links of its parties only.
ALTER TABLE filling ALTER COLUMN link DROP NOT NULL;
ALTER TABLE filling ALTER COLUMN secret DROP NOT NULL;

-- One release on its way through its signers. All of it but the answers follows from its trail; it stands here to be found.
CREATE TABLE dispatch (
  id          UUID PRIMARY KEY,
  template_id UUID          NOT NULL,
  release     INT           NOT NULL,
  filling_id  BIGINT        NOT NULL UNIQUE REFERENCES filling (id),
  account_id  BIGINT        NOT NULL REFERENCES account (id),
  title       VARCHAR(1000) NOT NULL,
  message     VARCHAR(4000) NOT NULL,
  -- The role that has what was given to nobody.
  first_role  VARCHAR(100)  NOT NULL,
  status      VARCHAR(10)   NOT NULL CHECK (status IN ('UNDER_WAY', 'DECLINED', 'WITHDRAWN', 'FINISHED')),
  because     VARCHAR(1000) NOT NULL,
  due         DATE,
  delegable   BOOLEAN       NOT NULL,
  -- After how many days without an end those whose turn it is are reminded, again and again; 0 for never.
  remind_days INT           NOT NULL,
  reminded    TIMESTAMP WITH TIME ZONE NOT NULL,
  sent        TIMESTAMP WITH TIME ZONE NOT NULL,
  changed     TIMESTAMP WITH TIME ZONE NOT NULL,
  record      INT,
  -- The finished document as it was sealed; it never changes.
  sealed      BLOB,
  digest      VARCHAR(64),
  seal_tries  INT           DEFAULT 0 NOT NULL,
  seal_next   TIMESTAMP WITH TIME ZONE,
  FOREIGN KEY (template_id, release) REFERENCES release (template_id, number)
);
CREATE INDEX dispatch_changed ON dispatch (changed);
CREATE INDEX dispatch_digest ON dispatch (digest);

CREATE TABLE party (
  dispatch_id UUID         NOT NULL REFERENCES dispatch (id),
  role        VARCHAR(100) NOT NULL,
  place       INT          NOT NULL,
  title       VARCHAR(200) NOT NULL,
  turn_order  INT          NOT NULL,
  name        VARCHAR(200) NOT NULL,
  address     VARCHAR(260) NOT NULL,
  turn        VARCHAR(10)  NOT NULL CHECK (turn IN ('WAITING', 'ACTING', 'FINISHED', 'SKIPPED')),
  opened      BOOLEAN      NOT NULL,
  consented   BOOLEAN      NOT NULL,
  PRIMARY KEY (dispatch_id, role)
);

-- Append only.
CREATE TABLE trail (
  dispatch_id UUID        NOT NULL REFERENCES dispatch (id),
  number      INT         NOT NULL,
  at          TIMESTAMP(3) WITH TIME ZONE NOT NULL,
  who         VARCHAR(500) NOT NULL,
  origin      VARCHAR(100) NOT NULL,
  event       CLOB        NOT NULL,
  before      VARCHAR(64) NOT NULL,
  hash        VARCHAR(64) NOT NULL,
  PRIMARY KEY (dispatch_id, number)
);

-- Links of persons to their turn and, afterwards, to the finished document; kept as SHA-256 of their random part.
CREATE TABLE party_link (
  hash        BINARY(32)   PRIMARY KEY,
  dispatch_id UUID         NOT NULL,
  role        VARCHAR(100) NOT NULL,
  purpose     VARCHAR(10)  NOT NULL CHECK (purpose IN ('TURN', 'DOCUMENT')),
  created     TIMESTAMP WITH TIME ZONE NOT NULL,
  ended       TIMESTAMP WITH TIME ZONE,
  FOREIGN KEY (dispatch_id, role) REFERENCES party (dispatch_id, role)
);
CREATE INDEX party_link_dispatch ON party_link (dispatch_id);

-- Links through which anybody can begin a dispatch, naming the others.
CREATE TABLE open_link (
  hash        BINARY(32)    PRIMARY KEY,
  template_id UUID          NOT NULL,
  release     INT           NOT NULL,
  account_id  BIGINT        NOT NULL REFERENCES account (id),
  message     VARCHAR(4000) NOT NULL,
  due_days    INT           NOT NULL,
  delegable   BOOLEAN       NOT NULL,
  remind_days INT           NOT NULL,
  created     TIMESTAMP WITH TIME ZONE NOT NULL,
  FOREIGN KEY (template_id, release) REFERENCES release (template_id, number)
);

-- Payments that were begun, as this server knows them; the desk has its own book.
CREATE TABLE payment (
  reference   VARCHAR(40)  PRIMARY KEY,
  dispatch_id UUID         NOT NULL REFERENCES dispatch (id),
  role        VARCHAR(100) NOT NULL,
  address     VARCHAR(200) NOT NULL,
  amount      DECIMAL(19, 4) NOT NULL,
  currency    VARCHAR(3)   NOT NULL,
  state       VARCHAR(10)  NOT NULL CHECK (state IN ('BEGUN', 'PAID', 'REFUSED', 'LATE')),
  begun       TIMESTAMP WITH TIME ZONE NOT NULL
);
CREATE INDEX payment_dispatch ON payment (dispatch_id);

-- Where a template's ends are told.
CREATE TABLE webhook (
  template_id UUID PRIMARY KEY REFERENCES template (id),
  address     VARCHAR(1000) NOT NULL,
  secret      VARCHAR(100)  NOT NULL
);

CREATE TABLE webhook_delivery (
  id          BIGINT GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  template_id UUID         NOT NULL REFERENCES template (id),
  dispatch_id UUID         NOT NULL REFERENCES dispatch (id),
  event       VARCHAR(20)  NOT NULL,
  body        CLOB         NOT NULL,
  made        TIMESTAMP WITH TIME ZONE NOT NULL,
  tries       INT          NOT NULL,
  next_try    TIMESTAMP WITH TIME ZONE,
  delivered   TIMESTAMP WITH TIME ZONE,
  answer      VARCHAR(1000) NOT NULL
);
CREATE INDEX webhook_delivery_next ON webhook_delivery (next_try);

-- The simulated world outside: what leaves this server, and what answers it.
CREATE TABLE outside_service (
  name    VARCHAR(20) PRIMARY KEY,
  failing BOOLEAN NOT NULL,
  delay   INT     NOT NULL
);

CREATE TABLE outside_log (
  id      BIGINT GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  service VARCHAR(20)   NOT NULL,
  at      TIMESTAMP WITH TIME ZONE NOT NULL,
  what    VARCHAR(1000) NOT NULL,
  failed  BOOLEAN       NOT NULL
);

CREATE TABLE outside_mail (
  id        BIGINT GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  made      TIMESTAMP WITH TIME ZONE NOT NULL,
  name      VARCHAR(200)  NOT NULL,
  address   VARCHAR(260)  NOT NULL,
  subject   VARCHAR(1200) NOT NULL,
  body      CLOB          NOT NULL,
  path      VARCHAR(200)  NOT NULL,
  tries     INT           NOT NULL,
  next_try  TIMESTAMP WITH TIME ZONE,
  delivered TIMESTAMP WITH TIME ZONE
);
CREATE INDEX outside_mail_next ON outside_mail (next_try);

CREATE TABLE outside_payment (
  token     VARCHAR(40)    PRIMARY KEY,
  reference VARCHAR(40)    NOT NULL UNIQUE,
  purpose   VARCHAR(1000)  NOT NULL,
  amount    VARCHAR(60)    NOT NULL,
  state     VARCHAR(10)    NOT NULL CHECK (state IN ('OPEN', 'APPROVED', 'REFUSED', 'LATE')),
  back      VARCHAR(200)   NOT NULL,
  made      TIMESTAMP WITH TIME ZONE NOT NULL
);

CREATE TABLE outside_authority (
  one  BOOLEAN DEFAULT TRUE PRIMARY KEY CHECK (one),
  keys BLOB NOT NULL
);

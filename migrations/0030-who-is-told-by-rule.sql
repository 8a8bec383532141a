-- An engineer, an office or an association has a page of one question, or of one visit.
CREATE TABLE share_link_now (
  id TEXT PRIMARY KEY,
  job TEXT REFERENCES job (id),
  sub TEXT REFERENCES sub (id),
  audience TEXT NOT NULL CHECK (audience IN ('client', 'crew', 'sub', 'neighbour', 'party')),
  recipient TEXT NOT NULL,
  token_hash TEXT NOT NULL UNIQUE,
  made_at TEXT NOT NULL,
  expires_on TEXT NOT NULL,
  revoked_at TEXT,
  opened INTEGER NOT NULL DEFAULT 0,
  opened_at TEXT,
  request TEXT REFERENCES request (id),
  inspection TEXT REFERENCES inspection (id),
  CHECK ((audience = 'sub') = (sub IS NOT NULL)),
  CHECK (audience = 'sub' OR job IS NOT NULL),
  CHECK ((audience = 'party') = ((request IS NULL) <> (inspection IS NULL)))
) STRICT;
INSERT INTO share_link_now (id, job, sub, audience, recipient, token_hash, made_at, expires_on, revoked_at, opened, opened_at)
  SELECT id, job, sub, audience, recipient, token_hash, made_at, expires_on, revoked_at, opened, opened_at
    FROM share_link
    ORDER BY rowid;
CREATE TABLE job_update_now (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  walk TEXT REFERENCES walk (id),
  audience TEXT NOT NULL CHECK (audience IN ('client', 'crew', 'neighbour', 'party')),
  title TEXT NOT NULL,
  body TEXT NOT NULL,
  made_at TEXT NOT NULL,
  state TEXT NOT NULL CHECK (state IN ('sent', 'dropped')),
  sent_at TEXT,
  version INTEGER NOT NULL DEFAULT 1,
  UNIQUE (walk, audience)
) STRICT;
INSERT INTO job_update_now SELECT * FROM job_update ORDER BY rowid;
CREATE TABLE message_now (
  id TEXT PRIMARY KEY,
  job_update TEXT NOT NULL REFERENCES job_update_now (id),
  share_link TEXT NOT NULL REFERENCES share_link_now (id),
  recipient TEXT NOT NULL,
  address TEXT NOT NULL,
  state TEXT NOT NULL CHECK (state IN ('queued', 'sent', 'delivered', 'failed')),
  tries INTEGER NOT NULL DEFAULT 0,
  queued_at TEXT NOT NULL,
  next_try_at TEXT,
  settled_at TEXT,
  failure TEXT,
  acknowledged_at TEXT,
  acknowledged_by TEXT
) STRICT;
INSERT INTO message_now SELECT * FROM message ORDER BY rowid;
CREATE TABLE question_now (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  share_link TEXT NOT NULL REFERENCES share_link_now (id),
  name TEXT NOT NULL,
  text TEXT NOT NULL,
  asked_at TEXT NOT NULL,
  answer TEXT NOT NULL DEFAULT '',
  answered_at TEXT,
  answered_by TEXT NOT NULL DEFAULT '',
  -- The letter that the answer went out with: it is theirs alone.
  job_update TEXT REFERENCES job_update_now (id),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
INSERT INTO question_now SELECT * FROM question ORDER BY rowid;
DROP TABLE question;
DROP TABLE message;
DROP TABLE job_update;
DROP TABLE share_link;
ALTER TABLE share_link_now RENAME TO share_link;
ALTER TABLE job_update_now RENAME TO job_update;
ALTER TABLE message_now RENAME TO message;
ALTER TABLE question_now RENAME TO question;
CREATE INDEX share_link_job ON share_link (job, expires_on);
CREATE INDEX share_link_made ON share_link (job, made_at);
CREATE INDEX share_link_sub ON share_link (sub);
CREATE INDEX share_link_request ON share_link (request) WHERE request IS NOT NULL;
CREATE INDEX share_link_inspection ON share_link (inspection) WHERE inspection IS NOT NULL;
CREATE INDEX job_update_job ON job_update (job, made_at);
CREATE INDEX job_update_sent ON job_update (job, sent_at) WHERE state = 'sent';
CREATE INDEX message_update ON message (job_update);
CREATE INDEX message_link ON message (share_link);
CREATE INDEX message_queued ON message (queued_at) WHERE state = 'queued';
CREATE INDEX message_failed ON message (settled_at) WHERE state = 'failed';
CREATE INDEX question_job ON question (job, asked_at);
CREATE INDEX question_link ON question (share_link);
CREATE INDEX question_update ON question (job_update) WHERE job_update IS NOT NULL;

-- What a sub said on their page is done, with a picture where they took one. It counts once somebody of the firm took it.
CREATE TABLE done_word (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  area TEXT NOT NULL REFERENCES area (id),
  phase TEXT NOT NULL,
  share_link TEXT NOT NULL REFERENCES share_link (id),
  name TEXT NOT NULL,
  note TEXT NOT NULL DEFAULT '',
  picture TEXT REFERENCES picture (hash),
  -- The spot from which the picture was taken, where they took it from the same one as an earlier picture.
  standpoint TEXT REFERENCES standpoint (id),
  said_at TEXT NOT NULL,
  verdict TEXT CHECK (verdict IN ('taken', 'not yet')),
  settled_at TEXT,
  settled_by TEXT NOT NULL DEFAULT '',
  answer TEXT NOT NULL DEFAULT '',
  version INTEGER NOT NULL DEFAULT 1,
  CHECK ((verdict IS NULL) = (settled_at IS NULL))
) STRICT;
CREATE INDEX done_word_job ON done_word (job, said_at);
CREATE INDEX done_word_link ON done_word (share_link);
CREATE INDEX done_word_open ON done_word (job) WHERE settled_at IS NULL;

-- How somebody who comes gets in: keys, where to park.
ALTER TABLE job ADD COLUMN getting_in TEXT NOT NULL DEFAULT '';

-- By which rules news go out without anybody pressing: at which hour what moved is told, what concerns tomorrow at once,
-- after how many days without an answer a sub is asked once more, and how many days before its day a client hears of a
-- decision once more. Nothing goes by itself unless it was wished for.
ALTER TABLE firm ADD COLUMN tell_hour INTEGER CHECK (tell_hour BETWEEN 6 AND 20);
ALTER TABLE firm ADD COLUMN tell_soon INTEGER NOT NULL DEFAULT 0 CHECK (tell_soon IN (0, 1));
ALTER TABLE firm ADD COLUMN remind_sub_days INTEGER CHECK (remind_sub_days BETWEEN 1 AND 14);
ALTER TABLE firm ADD COLUMN remind_client_days INTEGER CHECK (remind_client_days BETWEEN 1 AND 21);
-- The firm's day on which what moved was told by the rule last.
ALTER TABLE firm ADD COLUMN told_on TEXT;

-- Of what somebody was reminded, and when last: a visit they have not answered, a decision that is due.
CREATE TABLE reminder (
  job TEXT NOT NULL REFERENCES job (id),
  about TEXT NOT NULL,
  at TEXT NOT NULL,
  PRIMARY KEY (job, about)
) STRICT, WITHOUT ROWID;

-- What a job had recorded since somebody was written to is found by the order in which it was kept.
CREATE INDEX observation_kept ON observation (job);

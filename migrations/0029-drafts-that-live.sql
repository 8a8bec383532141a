-- What somebody would be told is composed when it is looked at: drafts that walks left behind go out no more.
UPDATE job_update SET state = 'dropped' WHERE state = 'draft';

-- When the reader of a job's news was last written to, the newest record it told of and how far each step was then, by
-- its piece of work.
CREATE TABLE told (
  job TEXT NOT NULL REFERENCES job (id),
  audience TEXT NOT NULL CHECK (audience IN ('client', 'crew', 'neighbour')),
  at TEXT NOT NULL,
  record TEXT,
  steps TEXT NOT NULL,
  PRIMARY KEY (job, audience)
) STRICT, WITHOUT ROWID;
INSERT INTO told (job, audience, at, record, steps)
  SELECT last.job, last.audience, last.at,
      (SELECT id FROM observation WHERE observation.job = last.job AND observation.at <= last.at ORDER BY observation.at DESC, observation.rowid DESC LIMIT 1),
      coalesce((SELECT json_group_object(area || ':' || phase, fraction)
        FROM (SELECT area, phase, fraction, max(observation.at)
          FROM observation
          WHERE observation.job = last.job AND kind = 'progress' AND observation.at <= last.at
          GROUP BY area, phase)), '{}')
    FROM (SELECT job, audience, max(sent_at) AS at
      FROM job_update
      WHERE state = 'sent' AND sent_at IS NOT NULL AND walk IS NOT NULL
      GROUP BY job, audience) AS last;

-- What somebody wrote by hand in a draft: in place of a line of it, or as a line of their own; empty to leave a line out.
-- `was` is what the line said then, `days` the days that their words named, by what they were the days of.
CREATE TABLE draft_line (
  job TEXT NOT NULL REFERENCES job (id),
  audience TEXT NOT NULL CHECK (audience IN ('client', 'crew', 'neighbour')),
  line TEXT NOT NULL,
  words TEXT NOT NULL,
  was TEXT NOT NULL,
  days TEXT NOT NULL,
  written_at TEXT NOT NULL,
  PRIMARY KEY (job, audience, line)
) STRICT, WITHOUT ROWID;

-- Who lives beside a job and is told of noise, dust and what stands in the lane; what is to be minded of them.
CREATE TABLE neighbour (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  name TEXT NOT NULL,
  email TEXT NOT NULL DEFAULT '',
  phone TEXT NOT NULL DEFAULT '',
  note TEXT NOT NULL DEFAULT '',
  removed INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1)),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE INDEX neighbour_job ON neighbour (job);

-- Neighbours have pages and news too. A message is sent once a mail server has taken it, and delivered once it is known to
-- have come; one that could not be handed over is tried again later, until it has failed for good.
CREATE TABLE share_link_now (
  id TEXT PRIMARY KEY,
  job TEXT REFERENCES job (id),
  sub TEXT REFERENCES sub (id),
  audience TEXT NOT NULL CHECK (audience IN ('client', 'crew', 'sub', 'neighbour')),
  recipient TEXT NOT NULL,
  token_hash TEXT NOT NULL UNIQUE,
  made_at TEXT NOT NULL,
  expires_on TEXT NOT NULL,
  revoked_at TEXT,
  opened INTEGER NOT NULL DEFAULT 0,
  opened_at TEXT,
  CHECK ((audience = 'sub') = (sub IS NOT NULL)),
  CHECK (audience = 'sub' OR job IS NOT NULL)
) STRICT;
INSERT INTO share_link_now SELECT * FROM share_link ORDER BY rowid;
CREATE TABLE job_update_now (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  walk TEXT REFERENCES walk (id),
  audience TEXT NOT NULL CHECK (audience IN ('client', 'crew', 'neighbour')),
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
INSERT INTO message_now (id, job_update, share_link, recipient, address, state, tries, queued_at, settled_at, failure,
    acknowledged_at, acknowledged_by)
  SELECT id, job_update, share_link, recipient, address, state, tries, queued_at, settled_at, failure, acknowledged_at,
      acknowledged_by
    FROM message
    ORDER BY rowid;
DROP TABLE message;
DROP TABLE job_update;
DROP TABLE share_link;
ALTER TABLE share_link_now RENAME TO share_link;
ALTER TABLE job_update_now RENAME TO job_update;
ALTER TABLE message_now RENAME TO message;
CREATE INDEX share_link_job ON share_link (job, expires_on);
CREATE INDEX share_link_made ON share_link (job, made_at);
CREATE INDEX share_link_sub ON share_link (sub);
CREATE INDEX job_update_job ON job_update (job, made_at);
CREATE INDEX job_update_sent ON job_update (job, sent_at) WHERE state = 'sent';
CREATE INDEX message_update ON message (job_update);
CREATE INDEX message_link ON message (share_link);
CREATE INDEX message_queued ON message (queued_at) WHERE state = 'queued';
CREATE INDEX message_failed ON message (settled_at) WHERE state = 'failed';

-- What somebody asked on their page, and what they were answered.
CREATE TABLE question (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  share_link TEXT NOT NULL REFERENCES share_link (id),
  name TEXT NOT NULL,
  text TEXT NOT NULL,
  asked_at TEXT NOT NULL,
  answer TEXT NOT NULL DEFAULT '',
  answered_at TEXT,
  answered_by TEXT NOT NULL DEFAULT '',
  -- The letter that the answer went out with: it is theirs alone.
  job_update TEXT REFERENCES job_update (id),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE INDEX question_job ON question (job, asked_at);
CREATE INDEX question_link ON question (share_link);
CREATE INDEX question_update ON question (job_update) WHERE job_update IS NOT NULL;

-- Who cannot come on a day may say on which they could.
ALTER TABLE visit_day ADD COLUMN wish_day TEXT;
ALTER TABLE visit_day ADD COLUMN wish_half INTEGER CHECK (wish_half IN (0, 1));

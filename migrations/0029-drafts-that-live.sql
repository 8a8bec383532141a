-- What somebody would be told is composed when it is looked at: drafts that walks left behind go out no more.
UPDATE job_update SET state = 'dropped' WHERE state = 'draft';

-- When the reader of a job's news was last written to, the newest record it told of and how far each step was then, by
-- its piece of work.
CREATE TABLE told (
  job TEXT NOT NULL REFERENCES job (id),
  audience TEXT NOT NULL CHECK (audience IN ('client', 'crew')),
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
  audience TEXT NOT NULL CHECK (audience IN ('client', 'crew')),
  line TEXT NOT NULL,
  words TEXT NOT NULL,
  was TEXT NOT NULL,
  days TEXT NOT NULL,
  written_at TEXT NOT NULL,
  PRIMARY KEY (job, audience, line)
) STRICT, WITHOUT ROWID;

-- A message is sent once a mail server has taken it, and delivered once it is known to have come; one that could not be
-- handed over is tried again later, until it has failed for good.
CREATE TABLE message_now (
  id TEXT PRIMARY KEY,
  job_update TEXT NOT NULL REFERENCES job_update (id),
  share_link TEXT NOT NULL REFERENCES share_link (id),
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
ALTER TABLE message_now RENAME TO message;
CREATE INDEX message_update ON message (job_update);
CREATE INDEX message_link ON message (share_link);
CREATE INDEX message_queued ON message (queued_at) WHERE state = 'queued';
CREATE INDEX message_failed ON message (settled_at) WHERE state = 'failed';

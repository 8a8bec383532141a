-- Whoever leads a site sees the jobs that are theirs, and what things cost only where that is said.
CREATE TABLE person_job (
  person TEXT NOT NULL REFERENCES person (id),
  job TEXT NOT NULL REFERENCES job (id),
  PRIMARY KEY (person, job)
) STRICT, WITHOUT ROWID;
CREATE INDEX person_job_job ON person_job (job);
ALTER TABLE person ADD COLUMN sees_prices INTEGER NOT NULL DEFAULT 0 CHECK (sees_prices IN (0, 1));

-- Until now they saw every job: nobody loses one by this.
INSERT INTO person_job (person, job)
  SELECT person.id, job.id FROM person JOIN job WHERE person.role = 'lead' AND job.removed = 0;

-- By which a house knows its secret again: another one in its place would close every link without a word.
CREATE TABLE house_secret (
  id INTEGER PRIMARY KEY CHECK (id = 1),
  hash TEXT NOT NULL
) STRICT;

-- From where somebody outside answered, and who of the firm was signed in on that browser: an answer that settles
-- something is their own, or is seen not to be.
CREATE TABLE link_answer (
  command TEXT PRIMARY KEY,
  share_link TEXT NOT NULL REFERENCES share_link (id),
  type TEXT NOT NULL,
  at TEXT NOT NULL,
  source TEXT NOT NULL,
  device TEXT NOT NULL,
  person TEXT REFERENCES person (id)
) STRICT;
CREATE INDEX link_answer_link ON link_answer (share_link, at);

-- When a message was taken to be handed over: where the server stops in between, nobody knows whether it went out, and it
-- does not go out again by itself.
ALTER TABLE message ADD COLUMN claimed_at TEXT;

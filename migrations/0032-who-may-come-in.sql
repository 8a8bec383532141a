-- A person is invited, works, is out for a while, or has left; who has left stays as a name in what was recorded.
ALTER TABLE person ADD COLUMN state TEXT NOT NULL DEFAULT 'active' CHECK (state IN ('active', 'suspended', 'closed'));

-- A browser in which somebody is signed in. Its secret is known to that browser alone.
CREATE TABLE session (
  id TEXT PRIMARY KEY,
  person TEXT NOT NULL REFERENCES person (id),
  token_hash TEXT NOT NULL UNIQUE,
  device TEXT NOT NULL,
  source TEXT NOT NULL,
  made_at TEXT NOT NULL,
  seen_at TEXT NOT NULL
) STRICT;
CREATE INDEX session_person ON session (person);

-- A way in for somebody who has no password yet, or has lost it: once, and not for long.
CREATE TABLE invitation (
  id TEXT PRIMARY KEY,
  person TEXT NOT NULL REFERENCES person (id),
  token_hash TEXT NOT NULL UNIQUE,
  made_at TEXT NOT NULL,
  expires_at TEXT NOT NULL,
  used_at TEXT
) STRICT;
CREATE INDEX invitation_person ON invitation (person);

-- What happened at the door: who came in from where, and who tried.
CREATE TABLE sign_in (
  id INTEGER PRIMARY KEY,
  at TEXT NOT NULL,
  email TEXT NOT NULL,
  person TEXT REFERENCES person (id),
  source TEXT NOT NULL,
  device TEXT NOT NULL,
  outcome TEXT NOT NULL CHECK (outcome IN ('in', 'wrong', 'wrong code', 'closed', 'out', 'new password'))
) STRICT;
CREATE INDEX sign_in_at ON sign_in (at);
CREATE INDEX sign_in_email ON sign_in (email, at);
CREATE INDEX sign_in_source ON sign_in (source, at);

-- One-time codes as a second proof. It counts from when a first code was right; no code is taken twice.
CREATE TABLE second_factor (
  person TEXT PRIMARY KEY REFERENCES person (id),
  secret TEXT NOT NULL,
  confirmed_at TEXT,
  last_step INTEGER NOT NULL DEFAULT 0,
  -- Hashes of codes for the day on which the telephone is gone; each opens once.
  recovery TEXT NOT NULL DEFAULT '[]'
) STRICT;

-- A made-up firm lets everybody in: it says so of itself, so that no real one ever does.
ALTER TABLE firm ADD COLUMN demo INTEGER NOT NULL DEFAULT 0 CHECK (demo IN (0, 1));

-- rebuilds a table
-- Subs may have a sign-in of their own, which opens their own page and nothing else.
CREATE TABLE person_now (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  role TEXT NOT NULL CHECK (role IN ('contractor', 'lead', 'office', 'sub')),
  email TEXT,
  password_hash TEXT,
  version INTEGER NOT NULL DEFAULT 1,
  phone TEXT NOT NULL DEFAULT '',
  state TEXT NOT NULL DEFAULT 'active' CHECK (state IN ('active', 'suspended', 'closed')),
  sees_prices INTEGER NOT NULL DEFAULT 0 CHECK (sees_prices IN (0, 1)),
  -- Whose work they see, and the link by which they answer.
  sub TEXT REFERENCES sub (id),
  own_link TEXT REFERENCES share_link (id),
  CHECK ((role = 'sub') = (sub IS NOT NULL))
) STRICT;
INSERT INTO person_now (id, name, role, email, password_hash, version, phone, state, sees_prices)
  SELECT id, name, role, email, password_hash, version, phone, state, sees_prices FROM person ORDER BY rowid;
DROP TABLE person;
ALTER TABLE person_now RENAME TO person;
CREATE UNIQUE INDEX person_email ON person (email) WHERE email IS NOT NULL;
CREATE INDEX person_sub ON person (sub) WHERE sub IS NOT NULL;
CREATE INDEX person_own_link ON person (own_link) WHERE own_link IS NOT NULL;

-- The walk, whole: every kind of record, narrations, standpoints, the check before covering, what is in the walls, completion,
-- the state a site is left in, what has to be bought.

-- A closed set cannot be widened in place: the column is made anew beside the old one.
ALTER TABLE observation ADD COLUMN sort TEXT NOT NULL DEFAULT 'note' CHECK (sort IN ('progress', 'remaining', 'recheck', 'selection-check', 'note', 'caution', 'picture', 'marks', 'measurement', 'surprise', 'decision', 'scope',
  'assumption', 'selection', 'order', 'gate', 'household', 'short', 'check', 'in-wall', 'withdrawal'));
UPDATE observation SET sort = kind;
ALTER TABLE observation DROP COLUMN kind;
ALTER TABLE observation RENAME COLUMN sort TO kind;
-- What only one kind has and nobody asks for by column, as JSON checked by the door.
ALTER TABLE observation ADD COLUMN facts TEXT NOT NULL DEFAULT '{}';

ALTER TABLE job ADD COLUMN leaves TEXT NOT NULL DEFAULT 'evening' CHECK (leaves IN ('evening', 'week'));
-- What people on site call it besides its name, parted by semicolons: narrations are read with them.
ALTER TABLE area ADD COLUMN called TEXT NOT NULL DEFAULT '';

CREATE TABLE standpoint (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  area TEXT NOT NULL REFERENCES area (id),
  name TEXT NOT NULL,
  removed INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1)),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE INDEX standpoint_area ON standpoint (area);

-- What a record became: a line of scope, an assumption, a change, a wait, or nothing further.
CREATE TABLE placement (
  observation TEXT PRIMARY KEY REFERENCES observation (id),
  became TEXT NOT NULL CHECK (became IN ('scope', 'assumption', 'change', 'wait', 'selection', 'remark')),
  target TEXT,
  at TEXT NOT NULL,
  person TEXT REFERENCES person (id)
) STRICT, WITHOUT ROWID;
CREATE INDEX placement_person ON placement (person) WHERE person IS NOT NULL;

CREATE TABLE recording (
  hash TEXT PRIMARY KEY,
  type TEXT NOT NULL,
  bytes INTEGER NOT NULL
) STRICT;

CREATE TABLE narration (
  id TEXT PRIMARY KEY,
  walk TEXT NOT NULL REFERENCES walk (id),
  name TEXT NOT NULL,
  text TEXT NOT NULL,
  hash TEXT NOT NULL,
  recording TEXT REFERENCES recording (hash),
  kept_at TEXT NOT NULL,
  person TEXT NOT NULL REFERENCES person (id),
  UNIQUE (walk, hash)
) STRICT;
CREATE INDEX narration_person ON narration (person);
CREATE INDEX narration_recording ON narration (recording) WHERE recording IS NOT NULL;

-- Drafts that somebody dropped, by kind and second: they are not proposed again.
CREATE TABLE dropped_draft (
  narration TEXT NOT NULL REFERENCES narration (id),
  draft TEXT NOT NULL,
  PRIMARY KEY (narration, draft)
) STRICT, WITHOUT ROWID;

-- Lines of the check before covering for which somebody answers by name although they are open.
CREATE TABLE close_in_sign (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  area TEXT NOT NULL REFERENCES area (id),
  name TEXT NOT NULL,
  reason TEXT NOT NULL,
  lines TEXT NOT NULL,
  signed_at TEXT NOT NULL,
  person TEXT REFERENCES person (id),
  removed INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1)),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE INDEX close_in_sign_job ON close_in_sign (job);
CREATE INDEX close_in_sign_area ON close_in_sign (area);
CREATE INDEX close_in_sign_person ON close_in_sign (person) WHERE person IS NOT NULL;

-- In what state a site was left.
CREATE TABLE site_left (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  walk TEXT REFERENCES walk (id),
  person TEXT NOT NULL REFERENCES person (id),
  at TEXT NOT NULL,
  items TEXT NOT NULL,
  bin REAL CHECK (bin BETWEEN 0 AND 1),
  note TEXT NOT NULL DEFAULT ''
) STRICT;
CREATE INDEX site_left_job ON site_left (job, at);
CREATE INDEX site_left_walk ON site_left (walk) WHERE walk IS NOT NULL;
CREATE INDEX site_left_person ON site_left (person);

-- What ran out and was bought.
CREATE TABLE bought (
  observation TEXT PRIMARY KEY REFERENCES observation (id),
  at TEXT NOT NULL,
  person TEXT REFERENCES person (id)
) STRICT, WITHOUT ROWID;
CREATE INDEX bought_person ON bought (person) WHERE person IS NOT NULL;

-- What stays with the client: codes, keys, kits, manuals.
CREATE TABLE left_with_client (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  area TEXT REFERENCES area (id),
  kind TEXT NOT NULL CHECK (kind IN ('code', 'key', 'kit', 'manual', 'other')),
  text TEXT NOT NULL,
  at TEXT NOT NULL,
  removed INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1)),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE INDEX left_with_client_job ON left_with_client (job);
CREATE INDEX left_with_client_area ON left_with_client (area) WHERE area IS NOT NULL;

-- The client's own list at the end.
CREATE TABLE client_item (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  area TEXT REFERENCES area (id),
  text TEXT NOT NULL,
  name TEXT NOT NULL,
  at TEXT NOT NULL,
  state TEXT NOT NULL CHECK (state IN ('asked', 'taken up', 'answered')),
  answer TEXT NOT NULL DEFAULT '',
  observation TEXT REFERENCES observation (id),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE INDEX client_item_job ON client_item (job);
CREATE INDEX client_item_area ON client_item (area) WHERE area IS NOT NULL;
CREATE INDEX client_item_observation ON client_item (observation) WHERE observation IS NOT NULL;

-- An area that its owner, or somebody of the firm in their presence, has accepted.
CREATE TABLE sign_off (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  area TEXT NOT NULL REFERENCES area (id),
  name TEXT NOT NULL,
  words TEXT NOT NULL DEFAULT '',
  at TEXT NOT NULL,
  by_client INTEGER NOT NULL CHECK (by_client IN (0, 1)),
  removed INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1)),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE INDEX sign_off_job ON sign_off (job);
CREATE INDEX sign_off_area ON sign_off (area);

-- Ids are UUIDv7 made where the thing is made. Instants are UTC ISO text, days YYYY-MM-DD, lengths millimetres with the text
-- as typed. Rows that people edit carry a version; observations are only ever added.

CREATE TABLE firm (
  id INTEGER PRIMARY KEY CHECK (id = 1),
  name TEXT NOT NULL,
  town TEXT NOT NULL DEFAULT ''
) STRICT;

CREATE TABLE person (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  role TEXT NOT NULL CHECK (role IN ('contractor', 'lead', 'office')),
  email TEXT,
  password_hash TEXT,
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE UNIQUE INDEX person_email ON person (email) WHERE email IS NOT NULL;

CREATE TABLE sub (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  trade TEXT NOT NULL,
  crews INTEGER NOT NULL CHECK (crews BETWEEN 1 AND 50),
  lead_name TEXT NOT NULL DEFAULT '',
  email TEXT NOT NULL DEFAULT '',
  version INTEGER NOT NULL DEFAULT 1
) STRICT;

CREATE TABLE day_away (
  sub TEXT NOT NULL REFERENCES sub (id),
  first_day TEXT NOT NULL,
  last_day TEXT NOT NULL CHECK (last_day >= first_day),
  PRIMARY KEY (sub, first_day)
) STRICT, WITHOUT ROWID;

CREATE TABLE holiday (day TEXT PRIMARY KEY, name TEXT NOT NULL) STRICT, WITHOUT ROWID;

CREATE TABLE job (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  address TEXT NOT NULL DEFAULT '',
  client TEXT NOT NULL DEFAULT '',
  client_email TEXT NOT NULL DEFAULT '',
  units TEXT NOT NULL CHECK (units IN ('metric', 'imperial')),
  state TEXT NOT NULL CHECK (state IN ('lead', 'scoping', 'booked', 'active', 'completing', 'closed')),
  start_day TEXT NOT NULL,
  promise_day TEXT,
  lived_in INTEGER NOT NULL DEFAULT 0 CHECK (lived_in IN (0, 1)),
  loud_half TEXT CHECK (loud_half IN ('morning', 'afternoon')),
  position INTEGER NOT NULL DEFAULT 0,
  version INTEGER NOT NULL DEFAULT 1
) STRICT;

CREATE TABLE level (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  name TEXT NOT NULL,
  height INTEGER NOT NULL,
  note TEXT NOT NULL DEFAULT '',
  UNIQUE (job, height)
) STRICT;

CREATE TABLE area (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  level TEXT REFERENCES level (id),
  name TEXT NOT NULL,
  kind TEXT NOT NULL CHECK (kind IN ('room', 'wet', 'face', 'roof', 'ground', 'outbuilding')),
  position INTEGER NOT NULL,
  works TEXT NOT NULL DEFAULT '[]',
  size REAL NOT NULL DEFAULT 1 CHECK (size > 0 AND size <= 20),
  passage INTEGER NOT NULL DEFAULT 0 CHECK (passage IN (0, 1)),
  lived_in INTEGER NOT NULL DEFAULT 0 CHECK (lived_in IN (0, 1)),
  provides TEXT NOT NULL DEFAULT '[]',
  shelters TEXT NOT NULL DEFAULT '[]',
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE INDEX area_job ON area (job);
CREATE INDEX area_level ON area (level);

-- Areas on the two sides of a shared wall, the smaller id first.
CREATE TABLE beside (
  one TEXT NOT NULL REFERENCES area (id),
  other TEXT NOT NULL REFERENCES area (id),
  PRIMARY KEY (one, other),
  CHECK (one < other)
) STRICT, WITHOUT ROWID;
CREATE INDEX beside_other ON beside (other);

-- The track of an area: which phases, by whom, how long.
CREATE TABLE step (
  area TEXT NOT NULL REFERENCES area (id),
  phase TEXT NOT NULL,
  trade TEXT NOT NULL,
  half_days INTEGER NOT NULL CHECK (half_days BETWEEN 1 AND 400),
  PRIMARY KEY (area, phase)
) STRICT, WITHOUT ROWID;

-- An order agreed for one job on top of the rules.
CREATE TABLE own_link (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  before_area TEXT NOT NULL REFERENCES area (id),
  before_phase TEXT NOT NULL,
  after_area TEXT NOT NULL REFERENCES area (id),
  after_phase TEXT NOT NULL,
  reason TEXT NOT NULL
) STRICT;
CREATE INDEX own_link_job ON own_link (job);
CREATE INDEX own_link_before ON own_link (before_area);
CREATE INDEX own_link_after ON own_link (after_area);

-- What work waits for: an answer, an inspection, an approval, an outlook.
CREATE TABLE hold (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  area TEXT NOT NULL REFERENCES area (id),
  phase TEXT NOT NULL,
  kind TEXT NOT NULL CHECK (kind IN ('engineer', 'client', 'association', 'authority', 'inspection', 'close-in', 'weather', 'unknown', 'neighbour')),
  label TEXT NOT NULL,
  text TEXT NOT NULL,
  asked_on TEXT,
  expected_on TEXT NOT NULL,
  state TEXT NOT NULL CHECK (state IN ('open', 'released')),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE INDEX hold_job ON hold (job);
CREATE INDEX hold_area ON hold (area);

CREATE TABLE scope_item (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  area TEXT NOT NULL REFERENCES area (id),
  stance TEXT NOT NULL CHECK (stance IN ('in', 'out', 'conditional', 'protect', 'keep-live', 'refit')),
  verb TEXT NOT NULL,
  subject TEXT NOT NULL,
  quantity REAL,
  unit TEXT,
  trade TEXT,
  depends_on TEXT NOT NULL DEFAULT '',
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE INDEX scope_item_job ON scope_item (job);
CREATE INDEX scope_item_area ON scope_item (area);

CREATE TABLE selection (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  area TEXT NOT NULL REFERENCES area (id),
  phase TEXT NOT NULL,
  category TEXT NOT NULL,
  choice TEXT NOT NULL DEFAULT '',
  code TEXT NOT NULL DEFAULT '',
  supplier TEXT NOT NULL DEFAULT '',
  lead_days INTEGER NOT NULL CHECK (lead_days BETWEEN 0 AND 730),
  state TEXT NOT NULL CHECK (state IN ('open', 'chosen', 'approved', 'ordered', 'on site', 'fitted')),
  expected_on TEXT,
  note TEXT NOT NULL DEFAULT '',
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE INDEX selection_job ON selection (job);
CREATE INDEX selection_area ON selection (area);

CREATE TABLE walk (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  kind TEXT NOT NULL CHECK (kind IN ('scope', 'layout', 'progress', 'close-in', 'completion')),
  person TEXT NOT NULL REFERENCES person (id),
  started_at TEXT NOT NULL,
  finished_at TEXT
) STRICT;
CREATE INDEX walk_job ON walk (job, started_at);
CREATE INDEX walk_person ON walk (person);

CREATE TABLE picture (
  hash TEXT PRIMARY KEY,
  type TEXT NOT NULL CHECK (type IN ('image/jpeg', 'image/png', 'image/webp')),
  width INTEGER NOT NULL,
  height INTEGER NOT NULL,
  bytes INTEGER NOT NULL,
  taken_at TEXT
) STRICT;

CREATE TABLE observation (
  id TEXT PRIMARY KEY,
  walk TEXT NOT NULL REFERENCES walk (id),
  job TEXT NOT NULL REFERENCES job (id),
  area TEXT NOT NULL REFERENCES area (id),
  person TEXT NOT NULL REFERENCES person (id),
  at TEXT NOT NULL,
  kind TEXT NOT NULL CHECK (kind IN ('progress', 'remaining', 'recheck', 'selection-check', 'note', 'caution', 'picture', 'measurement', 'withdrawal')),
  phase TEXT,
  fraction REAL CHECK (fraction BETWEEN 0 AND 1),
  text TEXT,
  trade TEXT,
  quantity REAL,
  unit TEXT,
  selection TEXT REFERENCES selection (id),
  verdict TEXT,
  about TEXT REFERENCES observation (id),
  picture TEXT REFERENCES picture (hash),
  mm REAL,
  typed TEXT
) STRICT;
CREATE INDEX observation_job ON observation (job, at);
CREATE INDEX observation_walk ON observation (walk);
CREATE INDEX observation_area ON observation (area);
CREATE INDEX observation_about ON observation (about) WHERE about IS NOT NULL;
CREATE INDEX observation_picture ON observation (picture) WHERE picture IS NOT NULL;

-- Plans are computed, so they can be computed again; each part is one job's tasks of one version.
CREATE TABLE plan (
  version INTEGER PRIMARY KEY,
  made_at TEXT NOT NULL,
  origin TEXT NOT NULL,
  cause TEXT NOT NULL,
  frame TEXT NOT NULL
) STRICT;

CREATE TABLE plan_part (
  version INTEGER NOT NULL REFERENCES plan (version) ON DELETE CASCADE,
  job TEXT NOT NULL REFERENCES job (id),
  tasks TEXT NOT NULL,
  links TEXT NOT NULL,
  finish_day TEXT,
  PRIMARY KEY (version, job)
) STRICT, WITHOUT ROWID;
CREATE INDEX plan_part_job ON plan_part (job, version);

-- Jobs whose plan must be computed again, and the finished walks whose updates wait for it.
CREATE TABLE plan_mark (
  id INTEGER PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  walk TEXT REFERENCES walk (id),
  cause TEXT NOT NULL
) STRICT;

CREATE TABLE plan_problem (
  id INTEGER PRIMARY KEY CHECK (id = 1),
  code TEXT NOT NULL,
  message TEXT NOT NULL,
  made_at TEXT NOT NULL
) STRICT;

-- What the plan was before a walk and after it: the effect that its review and updates speak of.
CREATE TABLE walk_plan (
  walk TEXT PRIMARY KEY REFERENCES walk (id),
  before_version INTEGER,
  after_version INTEGER NOT NULL
) STRICT, WITHOUT ROWID;

CREATE TABLE share_link (
  id TEXT PRIMARY KEY,
  job TEXT REFERENCES job (id),
  sub TEXT REFERENCES sub (id),
  audience TEXT NOT NULL CHECK (audience IN ('client', 'crew', 'sub')),
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
CREATE INDEX share_link_job ON share_link (job);
CREATE INDEX share_link_sub ON share_link (sub);

CREATE TABLE job_update (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  walk TEXT REFERENCES walk (id),
  audience TEXT NOT NULL CHECK (audience IN ('client', 'crew')),
  title TEXT NOT NULL,
  body TEXT NOT NULL,
  made_at TEXT NOT NULL,
  state TEXT NOT NULL CHECK (state IN ('draft', 'sent', 'dropped')),
  sent_at TEXT,
  version INTEGER NOT NULL DEFAULT 1,
  UNIQUE (walk, audience)
) STRICT;
CREATE INDEX job_update_job ON job_update (job, made_at);

-- The outbox of the simulated message gateway. The link is named by id: its secret is never stored.
CREATE TABLE message (
  id TEXT PRIMARY KEY,
  job_update TEXT NOT NULL REFERENCES job_update (id),
  share_link TEXT NOT NULL REFERENCES share_link (id),
  recipient TEXT NOT NULL,
  address TEXT NOT NULL,
  state TEXT NOT NULL CHECK (state IN ('queued', 'delivered', 'failed')),
  tries INTEGER NOT NULL DEFAULT 0,
  queued_at TEXT NOT NULL,
  settled_at TEXT,
  failure TEXT,
  acknowledged_at TEXT,
  acknowledged_by TEXT
) STRICT;
CREATE INDEX message_update ON message (job_update);
CREATE INDEX message_link ON message (share_link);
CREATE INDEX message_queued ON message (queued_at) WHERE state = 'queued';

-- Every command that was applied, once: retries find their result here, and screens follow seq.
CREATE TABLE command_log (
  seq INTEGER PRIMARY KEY AUTOINCREMENT,
  id TEXT NOT NULL UNIQUE,
  type TEXT NOT NULL,
  at TEXT NOT NULL,
  applied_at TEXT NOT NULL,
  who TEXT NOT NULL,
  job TEXT,
  payload TEXT NOT NULL,
  result TEXT NOT NULL
) STRICT;
CREATE INDEX command_log_job ON command_log (job, seq);

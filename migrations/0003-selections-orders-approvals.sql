-- Selections whole: who supplies them and when they are closed, what each must be granted first, every step with its day,
-- what was found when it came, how it comes on site and what stays there.

CREATE TABLE supplier (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL COLLATE NOCASE UNIQUE,
  email TEXT NOT NULL DEFAULT '',
  note TEXT NOT NULL DEFAULT '',
  -- Its orders are answered by the simulated desk.
  desk INTEGER NOT NULL DEFAULT 0 CHECK (desk IN (0, 1)),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;

-- Days on which nothing is made or sent: yearly closure, stock-taking.
CREATE TABLE supplier_closure (
  supplier TEXT NOT NULL REFERENCES supplier (id),
  first_day TEXT NOT NULL,
  last_day TEXT NOT NULL CHECK (last_day >= first_day),
  why TEXT NOT NULL DEFAULT '',
  PRIMARY KEY (supplier, first_day)
) STRICT, WITHOUT ROWID;

-- A supplier's own list, as last read in.
CREATE TABLE price (
  supplier TEXT NOT NULL REFERENCES supplier (id),
  code TEXT NOT NULL,
  name TEXT NOT NULL DEFAULT '',
  unit TEXT NOT NULL DEFAULT '',
  unit_price INTEGER CHECK (unit_price >= 0),
  lead_low INTEGER NOT NULL CHECK (lead_low >= 0),
  lead_high INTEGER NOT NULL CHECK (lead_high >= lead_low),
  read_at TEXT NOT NULL,
  PRIMARY KEY (supplier, code)
) STRICT, WITHOUT ROWID;

-- One coming of things to a site: the day, the place they are put, how they are carried.
CREATE TABLE delivery (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  day TEXT NOT NULL,
  half TEXT CHECK (half IN ('morning', 'afternoon')),
  place TEXT REFERENCES area (id),
  place_note TEXT NOT NULL DEFAULT '',
  protection TEXT NOT NULL DEFAULT '',
  floor_area REAL CHECK (floor_area > 0),
  heaviest REAL CHECK (heaviest > 0),
  people INTEGER CHECK (people BETWEEN 1 AND 50),
  carry TEXT NOT NULL DEFAULT '',
  state TEXT NOT NULL CHECK (state IN ('planned', 'came', 'dropped')),
  came_on TEXT,
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE INDEX delivery_job ON delivery (job);
CREATE INDEX delivery_place ON delivery (place) WHERE place IS NOT NULL;

ALTER TABLE selection ADD COLUMN colour TEXT NOT NULL DEFAULT '';
ALTER TABLE selection ADD COLUMN finish TEXT NOT NULL DEFAULT '';
ALTER TABLE selection ADD COLUMN quantity REAL CHECK (quantity > 0);
ALTER TABLE selection ADD COLUMN unit TEXT NOT NULL DEFAULT '';
-- Its quantity follows this kept result.
ALTER TABLE selection ADD COLUMN calculation TEXT REFERENCES calculation (id);
ALTER TABLE selection ADD COLUMN unit_price INTEGER CHECK (unit_price >= 0);
ALTER TABLE selection ADD COLUMN decides TEXT NOT NULL DEFAULT 'client' CHECK (decides IN ('client', 'us', 'designer', 'sub'));
ALTER TABLE selection ADD COLUMN approves TEXT NOT NULL DEFAULT '';
ALTER TABLE selection ADD COLUMN picture TEXT REFERENCES picture (hash);
ALTER TABLE selection ADD COLUMN check_days INTEGER NOT NULL DEFAULT 1 CHECK (check_days BETWEEN 0 AND 60);
ALTER TABLE selection ADD COLUMN acclimatise_days INTEGER NOT NULL DEFAULT 0 CHECK (acclimatise_days BETWEEN 0 AND 60);
ALTER TABLE selection ADD COLUMN buffer_days INTEGER NOT NULL DEFAULT 2 CHECK (buffer_days BETWEEN 0 AND 365);
ALTER TABLE selection ADD COLUMN think_days INTEGER NOT NULL DEFAULT 7 CHECK (think_days BETWEEN 0 AND 365);
ALTER TABLE selection ADD COLUMN alternatives TEXT NOT NULL DEFAULT '[]';
ALTER TABLE selection ADD COLUMN ordered_on TEXT;
-- What the order said, word for word: what comes is held against it.
ALTER TABLE selection ADD COLUMN ordered_as TEXT NOT NULL DEFAULT '';
ALTER TABLE selection ADD COLUMN order_number TEXT NOT NULL DEFAULT '';
-- The day first promised, and why it is no longer that one.
ALTER TABLE selection ADD COLUMN promised_on TEXT;
ALTER TABLE selection ADD COLUMN slip TEXT NOT NULL DEFAULT '';
ALTER TABLE selection ADD COLUMN came_on TEXT;
ALTER TABLE selection ADD COLUMN kept_at TEXT NOT NULL DEFAULT '';
ALTER TABLE selection ADD COLUMN delivery TEXT REFERENCES delivery (id);
-- Made for another one: what was wrong is ordered again, what came in part has its rest to come.
ALTER TABLE selection ADD COLUMN follows TEXT REFERENCES selection (id);
ALTER TABLE selection ADD COLUMN follows_as TEXT CHECK (follows_as IN ('re-order', 'rest'));
-- The check that made it.
ALTER TABLE selection ADD COLUMN observation TEXT REFERENCES observation (id);
-- The work does not wait for it: it is fitted on a return trip.
ALTER TABLE selection ADD COLUMN return_trip INTEGER NOT NULL DEFAULT 0 CHECK (return_trip IN (0, 1));
ALTER TABLE selection ADD COLUMN removed INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1));
CREATE INDEX selection_calculation ON selection (calculation) WHERE calculation IS NOT NULL;
CREATE INDEX selection_picture ON selection (picture) WHERE picture IS NOT NULL;
CREATE INDEX selection_delivery ON selection (delivery) WHERE delivery IS NOT NULL;
CREATE INDEX selection_follows ON selection (follows) WHERE follows IS NOT NULL;
CREATE INDEX selection_observation ON selection (observation) WHERE observation IS NOT NULL;

-- One lead time becomes a range, a supplier's name a supplier, and the states are all there are.
ALTER TABLE selection ADD COLUMN lead_low INTEGER NOT NULL DEFAULT 0 CHECK (lead_low >= 0);
ALTER TABLE selection ADD COLUMN lead_high INTEGER NOT NULL DEFAULT 0 CHECK (lead_high >= lead_low AND lead_high <= 730);
UPDATE selection SET lead_low = lead_days, lead_high = lead_days;
ALTER TABLE selection DROP COLUMN lead_days;

INSERT INTO supplier (id, name)
  SELECT lower(substr(hex, 1, 8) || '-' || substr(hex, 9, 4) || '-4' || substr(hex, 14, 3) || '-8' || substr(hex, 18, 3) || '-' || substr(hex, 21, 12)), name
  FROM (SELECT hex(randomblob(16)) AS hex, name FROM (SELECT min(trim(supplier)) AS name FROM selection WHERE trim(supplier) <> '' GROUP BY lower(trim(supplier))));
ALTER TABLE selection ADD COLUMN supplier_id TEXT REFERENCES supplier (id);
UPDATE selection SET supplier_id = (SELECT id FROM supplier WHERE supplier.name = trim(selection.supplier));
ALTER TABLE selection DROP COLUMN supplier;
ALTER TABLE selection RENAME COLUMN supplier_id TO supplier;
CREATE INDEX selection_supplier ON selection (supplier) WHERE supplier IS NOT NULL;

ALTER TABLE selection ADD COLUMN stage TEXT NOT NULL DEFAULT 'open'
  CHECK (stage IN ('open', 'chosen', 'approved', 'ordered', 'confirmed', 'in making', 'shipped', 'on site', 'checked', 'fitted', 'left over'));
UPDATE selection SET stage = state;
ALTER TABLE selection DROP COLUMN state;
ALTER TABLE selection RENAME COLUMN stage TO state;

-- What somebody owes before an order or a piece of work can go ahead: an approval, an answer, a drawing.
CREATE TABLE request (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  kind TEXT NOT NULL CHECK (kind IN ('approval', 'answer', 'drawing')),
  party TEXT NOT NULL CHECK (party IN ('client', 'association', 'authority', 'conservation', 'engineer', 'designer', 'us')),
  who TEXT NOT NULL DEFAULT '',
  subject TEXT NOT NULL,
  takes_low INTEGER NOT NULL CHECK (takes_low >= 0),
  takes_high INTEGER NOT NULL CHECK (takes_high >= takes_low AND takes_high <= 730),
  -- What must be there first: no association looks at what is not drawn.
  after TEXT REFERENCES request (id),
  sent TEXT NOT NULL DEFAULT '',
  sent_on TEXT,
  expected_on TEXT,
  reminded_on TEXT,
  answered_on TEXT,
  answered_by TEXT NOT NULL DEFAULT '',
  outcome TEXT CHECK (outcome IN ('granted', 'conditions', 'refused')),
  conditions TEXT NOT NULL DEFAULT '',
  removed INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1)),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE INDEX request_job ON request (job);
CREATE INDEX request_after ON request (after) WHERE after IS NOT NULL;

-- What stands still without it: an order, or a step of the work.
CREATE TABLE request_wait (
  request TEXT NOT NULL REFERENCES request (id),
  selection TEXT REFERENCES selection (id),
  area TEXT REFERENCES area (id),
  phase TEXT,
  CHECK ((selection IS NULL) <> (area IS NULL)),
  CHECK ((area IS NULL) = (phase IS NULL))
) STRICT;
CREATE INDEX request_wait_request ON request_wait (request);
CREATE INDEX request_wait_selection ON request_wait (selection) WHERE selection IS NOT NULL;
CREATE INDEX request_wait_area ON request_wait (area) WHERE area IS NOT NULL;

-- Every step of a selection or a request, with its day and who said so. Only ever added.
CREATE TABLE trail (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  selection TEXT REFERENCES selection (id),
  request TEXT REFERENCES request (id),
  at TEXT NOT NULL,
  who TEXT NOT NULL,
  text TEXT NOT NULL,
  -- A supplier's word, said by its desk.
  desk INTEGER NOT NULL DEFAULT 0 CHECK (desk IN (0, 1)),
  CHECK ((selection IS NULL) <> (request IS NULL))
) STRICT;
CREATE INDEX trail_job ON trail (job);
CREATE INDEX trail_selection ON trail (selection, at) WHERE selection IS NOT NULL;
CREATE INDEX trail_request ON trail (request, at) WHERE request IS NOT NULL;

-- What stays when the work is done, and what waits to go back.
CREATE TABLE spare (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  selection TEXT REFERENCES selection (id),
  kind TEXT NOT NULL CHECK (kind IN ('touch-up kit', 'spare parts', 'surplus', 'wrong part')),
  what TEXT NOT NULL,
  quantity REAL CHECK (quantity > 0),
  unit TEXT NOT NULL DEFAULT '',
  place TEXT REFERENCES area (id),
  kept_at TEXT NOT NULL DEFAULT '',
  -- The check that found it.
  observation TEXT REFERENCES observation (id),
  state TEXT NOT NULL CHECK (state IN ('kept', 'gone')),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE INDEX spare_job ON spare (job);
CREATE INDEX spare_selection ON spare (selection) WHERE selection IS NOT NULL;
CREATE INDEX spare_observation ON spare (observation) WHERE observation IS NOT NULL;
CREATE INDEX spare_place ON spare (place) WHERE place IS NOT NULL;

-- Salvage comes back into the house or leaves it.
ALTER TABLE finding ADD COLUMN kept TEXT NOT NULL DEFAULT 'kept' CHECK (kept IN ('kept', 'back', 'gone'));

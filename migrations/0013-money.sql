-- The firm's money: its currency (ISO 4217), what goes on top of what things cost it, and how clients read prices.
ALTER TABLE firm ADD COLUMN currency TEXT CHECK (currency GLOB '[A-Z][A-Z][A-Z]');
ALTER TABLE firm ADD COLUMN markup REAL NOT NULL DEFAULT 0 CHECK (markup BETWEEN 0 AND 5);
ALTER TABLE firm ADD COLUMN tax_rate REAL NOT NULL DEFAULT 0 CHECK (tax_rate BETWEEN 0 AND 1);
ALTER TABLE firm ADD COLUMN tax_shown TEXT NOT NULL DEFAULT 'apart' CHECK (tax_shown IN ('apart', 'within'));

-- NULL where a job's are the firm's.
ALTER TABLE job ADD COLUMN markup REAL CHECK (markup BETWEEN 0 AND 5);
ALTER TABLE job ADD COLUMN tax_rate REAL CHECK (tax_rate BETWEEN 0 AND 1);
ALTER TABLE job ADD COLUMN prices_shown TEXT NOT NULL DEFAULT 'area' CHECK (prices_shown IN ('line', 'area', 'total'));

-- What an hour of a trade costs the firm. All money is in hundredths of the currency's unit.
CREATE TABLE hour_rate (
  trade TEXT PRIMARY KEY,
  per_hour INTEGER NOT NULL CHECK (per_hour > 0)
) STRICT, WITHOUT ROWID;

-- How a line is priced: `unit`, for one; `sum`, for all; `parts`, material of one and hours for one; `within` others.
ALTER TABLE scope_item ADD COLUMN price_way TEXT CHECK (price_way IN ('unit', 'sum', 'parts', 'within'));
ALTER TABLE scope_item ADD COLUMN unit_price INTEGER CHECK (unit_price >= 0);
ALTER TABLE scope_item ADD COLUMN hours REAL CHECK (hours >= 0);

-- How much of a damage there was once it was opened, and who saw it.
ALTER TABLE finding ADD COLUMN found REAL CHECK (found >= 0);
ALTER TABLE finding ADD COLUMN found_at TEXT;
ALTER TABLE finding ADD COLUMN found_by TEXT NOT NULL DEFAULT '';

-- What the contract allows for it.
ALTER TABLE selection ADD COLUMN allowance TEXT REFERENCES finding (id);
CREATE INDEX selection_allowance ON selection (allowance) WHERE allowance IS NOT NULL;

-- A line of a change: what is done where, by whom, what it costs and how long it takes.
CREATE TABLE change_line (
  id TEXT PRIMARY KEY,
  change_order TEXT NOT NULL REFERENCES change_order (id),
  position INTEGER NOT NULL,
  area TEXT NOT NULL REFERENCES area (id),
  verb TEXT NOT NULL,
  subject TEXT NOT NULL,
  -- Under 0 for what is left out.
  quantity REAL NOT NULL CHECK (quantity <> 0),
  unit TEXT NOT NULL,
  -- NULL while nobody has priced it: then the change cannot be sent.
  unit_price INTEGER,
  trade TEXT,
  half_days INTEGER NOT NULL DEFAULT 0 CHECK (half_days BETWEEN 0 AND 400),
  after_phase TEXT,
  -- 1 for money alone, such as what was chosen above an allowance: no work, no line of scope.
  price_only INTEGER NOT NULL DEFAULT 0 CHECK (price_only IN (0, 1))
) STRICT;
CREATE INDEX change_line_change ON change_line (change_order);
CREATE INDEX change_line_area ON change_line (area);

-- A step that falls away with a change.
CREATE TABLE change_drop (
  change_order TEXT NOT NULL REFERENCES change_order (id),
  area TEXT NOT NULL REFERENCES area (id),
  phase TEXT NOT NULL,
  PRIMARY KEY (change_order, area, phase)
) STRICT, WITHOUT ROWID;
CREATE INDEX change_drop_area ON change_drop (area);

-- Until now a change had one area, and one piece of work beside its lines: it goes with the first of them.
INSERT INTO change_line (id, change_order, position, area, verb, subject, quantity, unit, unit_price, trade, half_days, after_phase)
SELECT
  substr(old.hex, 1, 8) || '-' || substr(old.hex, 9, 4) || '-4' || substr(old.hex, 14, 3) || '-8' || substr(old.hex, 18, 3) || '-' || substr(old.hex, 21, 12),
  old.id,
  old.key,
  old.area,
  json_extract(old.value, '$.verb'),
  json_extract(old.value, '$.subject'),
  json_extract(old.value, '$.quantity'),
  json_extract(old.value, '$.unit'),
  json_extract(old.value, '$.unitPrice'),
  json_extract(old.work, '$.trade'),
  CASE WHEN old.key = 0 THEN coalesce(json_extract(old.work, '$.halfDays'), 0) ELSE 0 END,
  CASE WHEN old.key = 0 THEN json_extract(old.work, '$.after') END
FROM (
  SELECT change_order.id, change_order.area, change_order.work, line.key, line.value, lower(hex(randomblob(16))) AS hex
  FROM change_order, json_each(change_order.lines) AS line
) AS old;
INSERT INTO change_drop (change_order, area, phase)
SELECT change_order.id, change_order.area, dropped.value
FROM change_order, json_each(change_order.drops) AS dropped;
DROP INDEX change_order_area;
ALTER TABLE change_order DROP COLUMN area;
ALTER TABLE change_order DROP COLUMN lines;
ALTER TABLE change_order DROP COLUMN work;
ALTER TABLE change_order DROP COLUMN drops;

-- What a change came from, where it came from something that was written down before.
ALTER TABLE change_order ADD COLUMN assumption TEXT REFERENCES assumption (id);
ALTER TABLE change_order ADD COLUMN finding TEXT REFERENCES finding (id);
ALTER TABLE change_order ADD COLUMN observation TEXT REFERENCES observation (id);
CREATE INDEX change_order_assumption ON change_order (assumption) WHERE assumption IS NOT NULL;
CREATE INDEX change_order_finding ON change_order (finding) WHERE finding IS NOT NULL;
CREATE INDEX change_order_observation ON change_order (observation) WHERE observation IS NOT NULL;

-- A part of the price and when it is due: so many per cent, a sum, or what the others leave.
CREATE TABLE payment_step (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  position INTEGER NOT NULL,
  text TEXT NOT NULL,
  percent REAL CHECK (percent > 0 AND percent <= 100),
  amount INTEGER CHECK (amount > 0),
  due TEXT NOT NULL CHECK (due IN ('agreed', 'begun', 'step', 'finished', 'day')),
  due_area TEXT REFERENCES area (id),
  due_phase TEXT,
  due_day TEXT,
  CHECK (percent IS NULL OR amount IS NULL),
  CHECK ((due = 'step') = (due_area IS NOT NULL) AND (due = 'step') = (due_phase IS NOT NULL)),
  CHECK ((due = 'day') = (due_day IS NOT NULL))
) STRICT;
CREATE INDEX payment_step_job ON payment_step (job);
CREATE INDEX payment_step_area ON payment_step (due_area) WHERE due_area IS NOT NULL;

-- What the client has paid.
CREATE TABLE payment (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  day TEXT NOT NULL,
  amount INTEGER NOT NULL CHECK (amount > 0),
  note TEXT NOT NULL DEFAULT '',
  removed INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1)),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE INDEX payment_job ON payment (job);

-- What the firm has spent on a job: a bill of a supplier or a sub, hours of its own, a rental.
CREATE TABLE spending (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  area TEXT REFERENCES area (id),
  day TEXT NOT NULL,
  kind TEXT NOT NULL CHECK (kind IN ('material', 'work', 'other')),
  text TEXT NOT NULL,
  amount INTEGER NOT NULL CHECK (amount > 0),
  -- The ordered goods that this pays for: they are no longer on order.
  selection TEXT REFERENCES selection (id),
  removed INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1)),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE INDEX spending_job ON spending (job);
CREATE INDEX spending_area ON spending (area) WHERE area IS NOT NULL;
CREATE INDEX spending_selection ON spending (selection) WHERE selection IS NOT NULL;

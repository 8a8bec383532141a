-- What a supplier is asked to send, as one paper: codes, quantities in packs, prices, the day and the place. It is a
-- draft until it is sent; what came, what went back and what was billed is held against it line by line.
CREATE TABLE purchase_order (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  supplier TEXT NOT NULL REFERENCES supplier (id),
  -- One row of numbers for the whole firm: suppliers write it on what they send.
  number INTEGER NOT NULL UNIQUE,
  state TEXT NOT NULL CHECK (state IN ('draft', 'sent', 'ended', 'cancelled')),
  sent_on TEXT,
  deliver_on TEXT,
  half TEXT CHECK (half IN ('morning', 'afternoon')),
  place TEXT REFERENCES area (id),
  place_note TEXT NOT NULL DEFAULT '',
  contact TEXT NOT NULL DEFAULT '',
  -- Paid before anything is made.
  deposit INTEGER CHECK (deposit > 0),
  carriage INTEGER CHECK (carriage > 0),
  note TEXT NOT NULL DEFAULT '',
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE INDEX purchase_order_job ON purchase_order (job);
CREATE INDEX purchase_order_supplier ON purchase_order (supplier);
CREATE INDEX purchase_order_place ON purchase_order (place) WHERE place IS NOT NULL;

CREATE TABLE purchase_line (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  purchase_order TEXT NOT NULL REFERENCES purchase_order (id),
  position INTEGER NOT NULL CHECK (position >= 0),
  -- What was chosen, or which of the things that a kept result buys; neither for what somebody wrote in.
  selection TEXT REFERENCES selection (id),
  calculation TEXT REFERENCES calculation (id),
  purchase INTEGER CHECK (purchase >= 0),
  code TEXT NOT NULL DEFAULT '',
  text TEXT NOT NULL,
  -- How much is needed; where it comes in packs, whole packs of it are ordered.
  quantity REAL NOT NULL CHECK (quantity > 0),
  unit TEXT NOT NULL,
  per_pack REAL CHECK (per_pack > 0),
  unit_price INTEGER CHECK (unit_price >= 0),
  priced_by TEXT NOT NULL CHECK (priced_by IN ('one', 'pack')),
  -- What may be sent instead, where this cannot be had.
  instead TEXT NOT NULL DEFAULT '',
  -- What was ordered first, where something else was accepted in its place.
  replaces TEXT NOT NULL DEFAULT '',
  CHECK ((calculation IS NULL) = (purchase IS NULL)),
  CHECK (selection IS NULL OR calculation IS NULL)
) STRICT;
CREATE INDEX purchase_line_job ON purchase_line (job);
CREATE INDEX purchase_line_order ON purchase_line (purchase_order);
CREATE INDEX purchase_line_selection ON purchase_line (selection) WHERE selection IS NOT NULL;
CREATE INDEX purchase_line_calculation ON purchase_line (calculation) WHERE calculation IS NOT NULL;

-- What came of a line or went back. Of chosen things their own story says it, and only what is beyond that stands here.
CREATE TABLE purchase_movement (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  line TEXT NOT NULL REFERENCES purchase_line (id),
  kind TEXT NOT NULL CHECK (kind IN ('came', 'went back')),
  day TEXT NOT NULL,
  quantity REAL NOT NULL CHECK (quantity > 0),
  note TEXT NOT NULL DEFAULT '',
  removed INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1)),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE INDEX purchase_movement_job ON purchase_movement (job);
CREATE INDEX purchase_movement_line ON purchase_movement (line);

-- A supplier's bill, what was paid beforehand, or what is given back. Money in hundredths, before tax.
CREATE TABLE purchase_bill (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  purchase_order TEXT NOT NULL REFERENCES purchase_order (id),
  kind TEXT NOT NULL CHECK (kind IN ('deposit', 'bill', 'credit')),
  number TEXT NOT NULL DEFAULT '',
  day TEXT NOT NULL,
  -- Of no line: the deposit itself, carriage, small things.
  other INTEGER NOT NULL DEFAULT 0 CHECK (other >= 0),
  -- The part of a deposit that this bill takes off.
  less_deposit INTEGER NOT NULL DEFAULT 0 CHECK (less_deposit >= 0),
  removed INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1)),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE INDEX purchase_bill_job ON purchase_bill (job);
CREATE INDEX purchase_bill_order ON purchase_bill (purchase_order);

CREATE TABLE purchase_bill_line (
  bill TEXT NOT NULL REFERENCES purchase_bill (id),
  line TEXT NOT NULL REFERENCES purchase_line (id),
  job TEXT NOT NULL REFERENCES job (id),
  quantity REAL NOT NULL CHECK (quantity > 0),
  amount INTEGER NOT NULL CHECK (amount >= 0),
  PRIMARY KEY (bill, line)
) STRICT, WITHOUT ROWID;
CREATE INDEX purchase_bill_line_line ON purchase_bill_line (line);
CREATE INDEX purchase_bill_line_job ON purchase_bill_line (job);

-- A place on the way in, measured once: whatever must come in is held against it. Lengths in mm, weights in kg.
CREATE TABLE way_in (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  -- The room it leads to; none where everything comes through it.
  area TEXT REFERENCES area (id),
  what TEXT NOT NULL,
  kind TEXT NOT NULL CHECK (kind IN ('opening', 'turn', 'stair', 'crane', 'hose', 'carry')),
  width REAL CHECK (width > 0),
  height REAL CHECK (height > 0),
  before REAL CHECK (before > 0),
  behind REAL CHECK (behind > 0),
  lifts REAL CHECK (lifts > 0),
  distance REAL CHECK (distance > 0),
  reach REAL CHECK (reach > 0),
  -- Another way in beside the usual one: a window taken out, a hatch.
  beside INTEGER NOT NULL DEFAULT 0 CHECK (beside IN (0, 1)),
  -- What the first visit noted of it.
  finding TEXT REFERENCES finding (id),
  removed INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1)),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE INDEX way_in_job ON way_in (job);
CREATE INDEX way_in_area ON way_in (area) WHERE area IS NOT NULL;
CREATE INDEX way_in_finding ON way_in (finding) WHERE finding IS NOT NULL;

-- Something large that must come in: a beam, a sheet, a tub, a machine.
CREATE TABLE large_piece (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  -- Where it goes.
  area TEXT NOT NULL REFERENCES area (id),
  -- The chosen thing that it is, where it is one.
  selection TEXT REFERENCES selection (id),
  what TEXT NOT NULL,
  kind TEXT NOT NULL CHECK (kind IN ('beam', 'sheet', 'machine')),
  length REAL NOT NULL CHECK (length > 0),
  width REAL NOT NULL CHECK (width > 0),
  height REAL NOT NULL CHECK (height > 0),
  mass REAL CHECK (mass > 0),
  -- Its carrying as work of the plan.
  extra TEXT REFERENCES extra_work (id),
  removed INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1)),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE INDEX large_piece_job ON large_piece (job);
CREATE INDEX large_piece_area ON large_piece (area);
CREATE INDEX large_piece_selection ON large_piece (selection) WHERE selection IS NOT NULL;
CREATE INDEX large_piece_extra ON large_piece (extra) WHERE extra IS NOT NULL;

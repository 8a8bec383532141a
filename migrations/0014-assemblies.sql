-- What was set in an area with one sentence: its lines, goods and added steps name it, so that they can go together.
CREATE TABLE assembly (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  area TEXT NOT NULL REFERENCES area (id),
  -- Its name in the catalogue.
  kind TEXT NOT NULL,
  title TEXT NOT NULL,
  -- What was answered, and which answers follow the drawing.
  answers TEXT NOT NULL CHECK (json_valid(answers)),
  fed TEXT NOT NULL CHECK (json_valid(fed)),
  cautions TEXT NOT NULL CHECK (json_valid(cautions)),
  removed INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1)),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE INDEX assembly_job ON assembly (job);
CREATE INDEX assembly_area ON assembly (area);

ALTER TABLE scope_item ADD COLUMN assembly TEXT REFERENCES assembly (id);
ALTER TABLE calculation ADD COLUMN assembly TEXT REFERENCES assembly (id);
ALTER TABLE extra_work ADD COLUMN assembly TEXT REFERENCES assembly (id);
CREATE INDEX scope_item_assembly ON scope_item (assembly) WHERE assembly IS NOT NULL;
CREATE INDEX calculation_assembly ON calculation (assembly) WHERE assembly IS NOT NULL;
CREATE INDEX extra_work_assembly ON extra_work (assembly) WHERE assembly IS NOT NULL;

-- Steps of one assembly stand one behind the other.
ALTER TABLE extra_work ADD COLUMN follows TEXT REFERENCES extra_work (id);
CREATE INDEX extra_work_follows ON extra_work (follows) WHERE follows IS NOT NULL;

-- How sure the contractor is of an assumption, in per cent, and what was seen that speaks for or against it.
ALTER TABLE assumption ADD COLUMN sure INTEGER CHECK (sure BETWEEN 0 AND 100);
ALTER TABLE assumption ADD COLUMN signs TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(signs));
-- 1 for the small opening that settles an assumption before it is relied on.
ALTER TABLE extra_work ADD COLUMN probes INTEGER NOT NULL DEFAULT 0 CHECK (probes IN (0, 1));

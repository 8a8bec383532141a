-- Drawings, permits and other papers of a job as PDF: of the whole job, of one area, or of what was asked of somebody.
CREATE TABLE pdf (
  hash TEXT PRIMARY KEY,
  bytes INTEGER NOT NULL CHECK (bytes > 0)
) STRICT;

CREATE TABLE attachment (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  area TEXT REFERENCES area (id),
  request TEXT REFERENCES request (id),
  kind TEXT NOT NULL CHECK (kind IN ('drawing', 'permit', 'instructions', 'other')),
  -- Two of one name at one place are two states of one paper: the newer one counts.
  name TEXT NOT NULL,
  pdf TEXT NOT NULL REFERENCES pdf (hash),
  added_at TEXT NOT NULL,
  added_by TEXT REFERENCES person (id),
  removed INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1)),
  version INTEGER NOT NULL DEFAULT 1,
  CHECK (area IS NULL OR request IS NULL)
) STRICT;
CREATE INDEX attachment_job ON attachment (job);
CREATE INDEX attachment_area ON attachment (area) WHERE area IS NOT NULL;
CREATE INDEX attachment_request ON attachment (request) WHERE request IS NOT NULL;
CREATE INDEX attachment_pdf ON attachment (pdf);
CREATE INDEX attachment_person ON attachment (added_by) WHERE added_by IS NOT NULL;

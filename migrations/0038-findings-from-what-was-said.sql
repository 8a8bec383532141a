-- What was said on a walk may become a finding too.
CREATE TABLE filing_next (
  observation TEXT PRIMARY KEY REFERENCES observation (id),
  filed_as TEXT NOT NULL
    CHECK (filed_as IN ('scope', 'finding', 'assumption', 'change', 'wait', 'selection', 'remark')),
  target TEXT,
  at TEXT NOT NULL,
  person TEXT REFERENCES person (id)
) STRICT, WITHOUT ROWID;
INSERT INTO filing_next (observation, filed_as, target, at, person)
SELECT observation, filed_as, target, at, person FROM filing;
DROP TABLE filing;
ALTER TABLE filing_next RENAME TO filing;
CREATE INDEX filing_person ON filing (person) WHERE person IS NOT NULL;

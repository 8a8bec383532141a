-- Months after which recordings, from where answers came, and the neighbours of closed jobs are let go; kept for as long as
-- the firm is where nobody has said.
ALTER TABLE firm ADD COLUMN keep_recordings INTEGER CHECK (keep_recordings BETWEEN 1 AND 240);
ALTER TABLE firm ADD COLUMN keep_origins INTEGER CHECK (keep_origins BETWEEN 1 AND 240);
ALTER TABLE firm ADD COLUMN keep_neighbours INTEGER CHECK (keep_neighbours BETWEEN 1 AND 240);

-- That somebody was taken out of everything, without a word that names them.
CREATE TABLE erasure (
  id INTEGER PRIMARY KEY,
  at TEXT NOT NULL,
  person TEXT REFERENCES person (id),
  stand_in TEXT NOT NULL,
  -- How often something stood, by what it stood in, as JSON.
  places TEXT NOT NULL,
  -- How often it still stands in the file: nowhere, unless something is wrong.
  still INTEGER NOT NULL
) STRICT;

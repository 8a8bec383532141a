-- A walk that was begun by mistake is thrown away, and can be brought back: what was recorded on it does not count meanwhile.
ALTER TABLE walk ADD COLUMN dropped INTEGER NOT NULL DEFAULT 0 CHECK (dropped IN (0, 1));
CREATE INDEX walk_dropped ON walk (id) WHERE dropped = 1;
DROP VIEW standing_observation;
CREATE VIEW standing_observation AS
  SELECT *
  FROM observation
  WHERE kind <> 'withdrawal'
    AND NOT EXISTS (SELECT 1 FROM observation back WHERE back.about = observation.id AND back.kind = 'withdrawal')
    AND NOT EXISTS (SELECT 1 FROM walk WHERE walk.id = observation.walk AND walk.dropped = 1);

-- A job to look around in; nothing of it is real, and it is thrown away as a whole.
ALTER TABLE job ADD COLUMN example INTEGER NOT NULL DEFAULT 0 CHECK (example IN (0, 1));

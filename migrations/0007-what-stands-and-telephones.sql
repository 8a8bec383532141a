-- Observations that were not withdrawn: whoever counts, links or shows what was seen reads these and never the table.
CREATE VIEW standing_observation AS
  SELECT *
  FROM observation
  WHERE kind <> 'withdrawal'
    AND NOT EXISTS (SELECT 1 FROM observation back WHERE back.about = observation.id AND back.kind = 'withdrawal');

-- Whom one calls.
ALTER TABLE person ADD COLUMN phone TEXT NOT NULL DEFAULT '';
ALTER TABLE sub ADD COLUMN phone TEXT NOT NULL DEFAULT '';
ALTER TABLE supplier ADD COLUMN phone TEXT NOT NULL DEFAULT '';
ALTER TABLE office ADD COLUMN phone TEXT NOT NULL DEFAULT '';

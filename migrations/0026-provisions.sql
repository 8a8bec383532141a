-- What stands in for something the household is without: a hired toilet, a fridge in the hall.
CREATE TABLE provision (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job,
  need TEXT NOT NULL CHECK (need IN ('toilet', 'shower', 'bath', 'sink', 'cooking', 'cold food', 'laundry', 'heat', 'hot water', 'way in', 'beds', 'parking')),
  words TEXT NOT NULL,
  from_day TEXT NOT NULL,
  -- The last day on which it is there; none while it stays.
  until_day TEXT
) STRICT;
CREATE INDEX provision_job ON provision (job);

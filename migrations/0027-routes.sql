-- Minutes on the way between two places, as somebody knows them: the yard, sites by their id, shops by their name.
CREATE TABLE travel (
  one TEXT NOT NULL,
  other TEXT NOT NULL,
  minutes INTEGER NOT NULL CHECK (minutes BETWEEN 0 AND 600),
  PRIMARY KEY (one, other),
  CHECK (one < other)
) STRICT, WITHOUT ROWID;

-- Where a place is, in degrees: minutes that nobody said are guessed from it.
CREATE TABLE spot (
  place TEXT PRIMARY KEY,
  north REAL NOT NULL CHECK (north BETWEEN -90 AND 90),
  east REAL NOT NULL CHECK (east BETWEEN -180 AND 180)
) STRICT, WITHOUT ROWID;

-- The stops of a day's route: how long one stays, and between which times one may begin.
CREATE TABLE route_stop (
  day TEXT NOT NULL,
  place TEXT NOT NULL,
  stays INTEGER NOT NULL CHECK (stays BETWEEN 1 AND 600),
  from_hour TEXT NOT NULL DEFAULT '',
  until_hour TEXT NOT NULL DEFAULT '',
  PRIMARY KEY (day, place)
) STRICT, WITHOUT ROWID;

CREATE TABLE route_day (
  day TEXT PRIMARY KEY,
  starts TEXT NOT NULL
) STRICT, WITHOUT ROWID;

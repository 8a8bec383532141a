-- Records up to here do not say how late it is: somebody put a wrong clock right after them.
CREATE TABLE trusted_clock (
  id INTEGER PRIMARY KEY CHECK (id = 1),
  after_seq INTEGER NOT NULL,
  at TEXT NOT NULL
) STRICT;

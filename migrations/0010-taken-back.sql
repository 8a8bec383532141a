-- What takes a change back: the rows that it wrote, as they were before it and as it left them. A row is dropped once
-- it is too old to be taken back; the log itself keeps what was asked for.
CREATE TABLE command_inverse (
  seq INTEGER PRIMARY KEY REFERENCES command_log (seq),
  rows TEXT NOT NULL,
  -- The change that took it back; NULL while it stands.
  taken_back_by TEXT
) STRICT;

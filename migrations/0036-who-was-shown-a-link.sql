-- To whom of the firm the address of a link was shown: whoever has it can answer as the one it was made for.
CREATE TABLE share_showing (
  id INTEGER PRIMARY KEY,
  share_link TEXT NOT NULL REFERENCES share_link (id),
  person TEXT NOT NULL REFERENCES person (id),
  at TEXT NOT NULL
) STRICT;
CREATE INDEX share_showing_link ON share_showing (share_link, at);
CREATE INDEX share_showing_person ON share_showing (person);

-- What a narration was read as, once it was kept: by the names of its day, so that nobody waits for it at every review.
CREATE TABLE narration_reading (
  narration TEXT PRIMARY KEY REFERENCES narration (id) ON DELETE CASCADE,
  -- The form of the reading, and what the areas were called; where either is another now, it is read anew.
  read_with TEXT NOT NULL,
  -- The drafts that were found in it, by their keys, in the order in which they were said.
  drafts TEXT NOT NULL CHECK (json_valid(drafts))
) STRICT;

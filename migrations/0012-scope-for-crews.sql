-- A finding has its picture; a choice that was left to whoever does the work has its answer, with who gave it.
ALTER TABLE finding ADD COLUMN picture TEXT REFERENCES picture (hash);
ALTER TABLE finding ADD COLUMN answer TEXT NOT NULL DEFAULT '';
ALTER TABLE finding ADD COLUMN answered_by TEXT NOT NULL DEFAULT '';
ALTER TABLE finding ADD COLUMN answered_at TEXT;

-- A line that protects says with what, one that is taken down where it is kept; both say whether that is over.
ALTER TABLE scope_item ADD COLUMN place TEXT NOT NULL DEFAULT '';
ALTER TABLE scope_item ADD COLUMN kept TEXT NOT NULL DEFAULT 'kept' CHECK (kept IN ('kept', 'back', 'gone'));

-- What a line said before a choice rewrote it, and which choice that was; a line that the choice brought has no `was`.
ALTER TABLE scope_item ADD COLUMN option_set TEXT REFERENCES option_set (id);
ALTER TABLE scope_item ADD COLUMN was TEXT CHECK (was IS NULL OR json_valid(was));

-- The lines a choice is about, by their ids.
ALTER TABLE option_set ADD COLUMN lines TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(lines));
UPDATE option_set
SET options = (SELECT json_group_array(json_set(value, '$.lines', json('[]'))) FROM json_each(options));

-- A job that was set up by mistake is shown nowhere and planned nowhere; nothing that was recorded of it is lost.
ALTER TABLE job ADD COLUMN removed INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1));

-- An area that became part of another: a record that still comes for it goes there.
CREATE TABLE area_merged (
  -- The id that the area had.
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  name TEXT NOT NULL,
  into_area TEXT NOT NULL REFERENCES area (id),
  -- The records that were moved with it, by their ids.
  records TEXT NOT NULL CHECK (json_valid(records))
) STRICT;
CREATE INDEX area_merged_job ON area_merged (job);
CREATE INDEX area_merged_into ON area_merged (into_area);

-- How a selection was found when it came, wherever it was looked at: what is wrong must not read as checked.
ALTER TABLE selection ADD COLUMN found TEXT CHECK (found IS NULL OR json_valid(found));

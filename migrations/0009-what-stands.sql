-- What a record speaks of: the newest word on a matter is what stands. Records without one (notes, pictures from no spot of
-- their own) are history only.
ALTER TABLE observation ADD COLUMN matter TEXT GENERATED ALWAYS AS (
  CASE kind
    WHEN 'progress' THEN 'step:' || area || ':' || phase
    WHEN 'remaining' THEN 'item:' || id
    WHEN 'caution' THEN 'item:' || id
    WHEN 'recheck' THEN 'item:' || about
    WHEN 'check' THEN 'line:' || area || ':' || json_extract(facts, '$.line')
    WHEN 'selection-check' THEN 'selection:' || selection
    WHEN 'picture' THEN 'spot:' || json_extract(facts, '$.standpoint')
    WHEN 'measurement' THEN 'size:' || area || ':' || json_extract(facts, '$.of')
    WHEN 'in-wall' THEN 'thing:' || id
    WHEN 'short' THEN 'short:' || id
  END
) VIRTUAL;
CREATE INDEX observation_matter ON observation (matter, at) WHERE matter IS NOT NULL;
-- The newest of a room: what its page shows of its history.
DROP INDEX observation_area;
CREATE INDEX observation_area ON observation (area, kind, at);

-- What stands of each matter, written with the record it comes from and computed again by `npm run rebuild`.
CREATE TABLE standing (
  matter TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  -- The newest word on it, or the item that is carried from walk to walk.
  observation TEXT NOT NULL REFERENCES observation (id),
  -- When the newest word on it was seen.
  at TEXT NOT NULL,
  -- What the words before it add up to, as JSON.
  state TEXT NOT NULL DEFAULT '{}'
) STRICT, WITHOUT ROWID;
CREATE INDEX standing_job ON standing (job, matter);
CREATE INDEX standing_observation_of ON standing (observation);

-- From how many records what stands was made, and in which form: what does not fit is made again at the start.
CREATE TABLE projection (
  name TEXT PRIMARY KEY,
  form INTEGER NOT NULL,
  records INTEGER NOT NULL,
  kept INTEGER NOT NULL
) STRICT, WITHOUT ROWID;

CREATE INDEX purchased_at ON purchased (at);
CREATE INDEX inspection_day ON inspection (day);
CREATE INDEX inspection_booked ON inspection (job) WHERE state = 'booked';
CREATE INDEX job_update_sent ON job_update (job, sent_at) WHERE state = 'sent';
CREATE INDEX job_update_draft ON job_update (job) WHERE state = 'draft';
DROP INDEX share_link_job;
CREATE INDEX share_link_job ON share_link (job, expires_on);
CREATE INDEX share_link_made ON share_link (job, made_at);

-- A part's last day is asked for often and lies behind its whole work.
DROP INDEX plan_part_job;
CREATE INDEX plan_part_finish ON plan_part (job, version, finish_day);
-- What a walk did to the plan, kept with the walk: the plans themselves need not be kept for it.
ALTER TABLE walk_plan ADD COLUMN effect TEXT;
-- What calendars outside know and was not taken back.
CREATE INDEX calendar_event_told ON calendar_event (job) WHERE cancelled = 0;

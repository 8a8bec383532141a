-- Trades in which only people with a licence may work here. The firm says which; the local code decides.
CREATE TABLE licensed_trade (trade TEXT PRIMARY KEY) STRICT, WITHOUT ROWID;
INSERT INTO licensed_trade (trade) VALUES ('gas'), ('wiring');

-- A licence of a sub, or of the firm's own people where no sub is named.
CREATE TABLE licence (
  id TEXT PRIMARY KEY,
  sub TEXT REFERENCES sub (id),
  trade TEXT NOT NULL,
  holder TEXT NOT NULL,
  number TEXT NOT NULL DEFAULT '',
  -- The last day on which it holds; none where it does not run out.
  expires_on TEXT,
  version INTEGER NOT NULL DEFAULT 1
) STRICT;

-- Where an office is written to; and what it was told of a visit: that the plan cannot keep it, or that it holds after all.
ALTER TABLE office ADD COLUMN email TEXT NOT NULL DEFAULT '';
CREATE TABLE inspection_told (
  inspection TEXT PRIMARY KEY REFERENCES inspection (id),
  off INTEGER NOT NULL CHECK (off IN (0, 1)),
  said_at TEXT NOT NULL
) STRICT;

-- Of which days neighbours were told, and until when it reached.
ALTER TABLE told ADD COLUMN days TEXT NOT NULL DEFAULT '';

-- What of a neighbour's is needed (their fence, their drive), and for which piece of work.
ALTER TABLE neighbour ADD COLUMN needed TEXT NOT NULL DEFAULT '';
ALTER TABLE neighbour ADD COLUMN needed_for TEXT;

-- Who was told what is read over all jobs, the newest first.
CREATE INDEX message_told ON message (queued_at);

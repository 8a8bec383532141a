-- A visit of which nobody was told may come sooner than it stands, into the next two weeks too, until it is planned anew.
ALTER TABLE visit_day ADD COLUMN free INTEGER NOT NULL DEFAULT 0 CHECK (free IN (0, 1));

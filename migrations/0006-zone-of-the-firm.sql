-- The zone by whose days the firm works; where none is set, the machine's.
ALTER TABLE firm ADD COLUMN zone TEXT CHECK (zone <> '');

-- In whose words the firm writes its days (`en-US`: month first) and whether its clock has 12 or 24 hours.
ALTER TABLE firm ADD COLUMN dates TEXT NOT NULL DEFAULT 'en'
  CHECK (dates IN ('en', 'en-US', 'da', 'de', 'es', 'fr', 'it', 'nb', 'nl', 'pt', 'sv'));
ALTER TABLE firm ADD COLUMN clock_hours INTEGER NOT NULL DEFAULT 24 CHECK (clock_hours IN (12, 24));

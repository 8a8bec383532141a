-- What a calendar day after the promise costs (a penalty, a household elsewhere), and a day on which the site runs (rentals,
-- somebody there). In hundredths; null where nobody has said.
ALTER TABLE job ADD COLUMN late_cost INTEGER CHECK (late_cost >= 0);
ALTER TABLE job ADD COLUMN site_cost INTEGER CHECK (site_cost >= 0);

-- What it costs that a crew comes once more: the way there and back, setting up.
ALTER TABLE firm ADD COLUMN trip_cost INTEGER CHECK (trip_cost >= 0);

-- What a provision costs by the day.
ALTER TABLE provision ADD COLUMN day_cost INTEGER CHECK (day_cost >= 0);

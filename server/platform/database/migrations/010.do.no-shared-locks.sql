-- Written by whoever takes a place of the agency's allowance: two who do so at the same moment write one row, and one of
-- them begins again. A row that is only locked says nothing to the other members of a cluster.
ALTER TABLE agency ADD COLUMN IF NOT EXISTS places_taken BIGINT UNSIGNED NOT NULL DEFAULT 0;

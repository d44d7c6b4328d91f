ALTER TABLE profile_day
  ADD COLUMN IF NOT EXISTS watch_seconds   BIGINT UNSIGNED NULL AFTER views,
  ADD COLUMN IF NOT EXISTS completed_views INT UNSIGNED    NULL AFTER watch_seconds,
  ADD COLUMN IF NOT EXISTS searches        INT UNSIGNED    NULL AFTER profile_visits,
  ADD COLUMN IF NOT EXISTS listing_views   INT UNSIGNED    NULL AFTER searches,
  ADD COLUMN IF NOT EXISTS directions      INT UNSIGNED    NULL AFTER listing_views,
  ADD COLUMN IF NOT EXISTS calls           INT UNSIGNED    NULL AFTER directions;

ALTER TABLE import_before
  ADD COLUMN IF NOT EXISTS watch_seconds   BIGINT UNSIGNED NULL AFTER views,
  ADD COLUMN IF NOT EXISTS completed_views INT UNSIGNED    NULL AFTER watch_seconds,
  ADD COLUMN IF NOT EXISTS searches        INT UNSIGNED    NULL AFTER profile_visits,
  ADD COLUMN IF NOT EXISTS listing_views   INT UNSIGNED    NULL AFTER searches,
  ADD COLUMN IF NOT EXISTS directions      INT UNSIGNED    NULL AFTER listing_views,
  ADD COLUMN IF NOT EXISTS calls           INT UNSIGNED    NULL AFTER directions;

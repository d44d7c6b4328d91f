ALTER TABLE profile_day
  ADD COLUMN watch_seconds   BIGINT UNSIGNED NULL AFTER views,
  ADD COLUMN completed_views INT UNSIGNED    NULL AFTER watch_seconds,
  ADD COLUMN searches        INT UNSIGNED    NULL AFTER profile_visits,
  ADD COLUMN listing_views   INT UNSIGNED    NULL AFTER searches,
  ADD COLUMN directions      INT UNSIGNED    NULL AFTER listing_views,
  ADD COLUMN calls           INT UNSIGNED    NULL AFTER directions;

ALTER TABLE import_before
  ADD COLUMN watch_seconds   BIGINT UNSIGNED NULL AFTER views,
  ADD COLUMN completed_views INT UNSIGNED    NULL AFTER watch_seconds,
  ADD COLUMN searches        INT UNSIGNED    NULL AFTER profile_visits,
  ADD COLUMN listing_views   INT UNSIGNED    NULL AFTER searches,
  ADD COLUMN directions      INT UNSIGNED    NULL AFTER listing_views,
  ADD COLUMN calls           INT UNSIGNED    NULL AFTER directions;

-- What the version before has moved to other tables.
DROP TABLE IF EXISTS import_before;
DROP TABLE IF EXISTS profile_day_part;
ALTER TABLE profile
  DROP COLUMN IF EXISTS tokens,
  DROP COLUMN IF EXISTS synced_to,
  DROP COLUMN IF EXISTS posts_to,
  DROP COLUMN IF EXISTS parts_to;

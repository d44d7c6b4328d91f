-- What posts had brought can come from files, and is brought back when that is undone.
ALTER TABLE post_observation
  ADD COLUMN IF NOT EXISTS import_id INT UNSIGNED NULL,
  ADD COLUMN IF NOT EXISTS imported BIGINT UNSIGNED NOT NULL DEFAULT 0,
  ADD COLUMN IF NOT EXISTS changed_at TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP;

-- How far videos were watched, of all who began them.
CREATE TABLE IF NOT EXISTS post_retention (
  client_id      INT UNSIGNED NOT NULL,
  profile_id     INT UNSIGNED NOT NULL,
  remote_id      VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  day            DATE NOT NULL,
  length_seconds INT UNSIGNED NULL,
  at_0           INT UNSIGNED NULL,
  at_5           INT UNSIGNED NULL,
  at_10          INT UNSIGNED NULL,
  at_15          INT UNSIGNED NULL,
  at_20          INT UNSIGNED NULL,
  at_25          INT UNSIGNED NULL,
  at_30          INT UNSIGNED NULL,
  at_35          INT UNSIGNED NULL,
  at_40          INT UNSIGNED NULL,
  at_45          INT UNSIGNED NULL,
  at_50          INT UNSIGNED NULL,
  at_55          INT UNSIGNED NULL,
  at_60          INT UNSIGNED NULL,
  at_65          INT UNSIGNED NULL,
  at_70          INT UNSIGNED NULL,
  at_75          INT UNSIGNED NULL,
  at_80          INT UNSIGNED NULL,
  at_85          INT UNSIGNED NULL,
  at_90          INT UNSIGNED NULL,
  at_95          INT UNSIGNED NULL,
  at_100         INT UNSIGNED NULL,
  PRIMARY KEY (client_id, profile_id, remote_id),
  FOREIGN KEY (client_id, profile_id) REFERENCES profile (client_id, profile_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

-- How often a profile was spoken of, and by how many people.
ALTER TABLE profile_day
  ADD COLUMN IF NOT EXISTS spoken_of INT UNSIGNED NULL AFTER visitors_28d,
  ADD COLUMN IF NOT EXISTS speakers_1d INT UNSIGNED NULL AFTER spoken_of,
  ADD COLUMN IF NOT EXISTS speakers_7d INT UNSIGNED NULL AFTER speakers_1d,
  ADD COLUMN IF NOT EXISTS speakers_28d INT UNSIGNED NULL AFTER speakers_7d;

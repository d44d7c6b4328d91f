-- How many points of ranks the agency may ask for in a month, and how many it has asked for.
ALTER TABLE agency ADD COLUMN IF NOT EXISTS rank_checks INT UNSIGNED NOT NULL DEFAULT 5000;
CREATE TABLE IF NOT EXISTS rank_use (
  agency_id INT UNSIGNED NOT NULL,
  month     CHAR(7) NOT NULL,
  used      INT UNSIGNED NOT NULL DEFAULT 0,
  PRIMARY KEY (agency_id, month),
  FOREIGN KEY (agency_id) REFERENCES agency (agency_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

-- What is looked for in the results of searches: for which place, where they stand, from which points and how often.
CREATE TABLE IF NOT EXISTS rank_watch (
  client_id  INT UNSIGNED NOT NULL,
  watch_id   INT UNSIGNED NOT NULL AUTO_INCREMENT,
  place_id   INT UNSIGNED NOT NULL,
  keyword    VARCHAR(80) NOT NULL,
  kind       VARCHAR(8) NOT NULL,
  rhythm     VARCHAR(12) NOT NULL,
  shape      VARCHAR(8) NOT NULL,
  spacing    SMALLINT UNSIGNED NOT NULL,
  rings      TINYINT UNSIGNED NOT NULL,
  lat        DOUBLE NOT NULL,
  lon        DOUBLE NOT NULL,
  created_at TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP,
  removed_at TIMESTAMP NULL,
  PRIMARY KEY (client_id, watch_id),
  UNIQUE KEY (watch_id),
  FOREIGN KEY (client_id, place_id) REFERENCES place (client_id, place_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

-- What a search found on a day from each of its points: as a whole, and what is asked of it most. A check that is under
-- way has no time yet.
CREATE TABLE IF NOT EXISTS rank_check (
  client_id  INT UNSIGNED NOT NULL,
  watch_id   INT UNSIGNED NOT NULL,
  day        DATE NOT NULL,
  points     SMALLINT UNSIGNED NOT NULL,
  sought     VARCHAR(300) NOT NULL,
  here       TINYINT UNSIGNED NULL,
  in_first   SMALLINT UNSIGNED NOT NULL DEFAULT 0,
  found      MEDIUMTEXT NULL,
  checked_at TIMESTAMP NULL,
  PRIMARY KEY (client_id, watch_id, day),
  FOREIGN KEY (client_id, watch_id) REFERENCES rank_watch (client_id, watch_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

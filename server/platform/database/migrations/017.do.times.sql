-- Slots in which somebody wants to post to find out, with what was thought of them then.
CREATE TABLE IF NOT EXISTS slot_try (
  client_id     INT UNSIGNED NOT NULL,
  try_id        INT UNSIGNED NOT NULL AUTO_INCREMENT,
  profile_id    INT UNSIGNED NOT NULL,
  planned_at    TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP,
  response      VARCHAR(20) NOT NULL,
  base          VARCHAR(20) NOT NULL,
  before_mean   DOUBLE NOT NULL,
  before_spread DOUBLE NOT NULL,
  created_at    TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP,
  removed_at    TIMESTAMP NULL,
  PRIMARY KEY (client_id, try_id),
  UNIQUE KEY (try_id),
  UNIQUE KEY (client_id, profile_id, planned_at),
  FOREIGN KEY (client_id, profile_id) REFERENCES profile (client_id, profile_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

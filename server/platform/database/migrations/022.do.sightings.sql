-- What rivals were seen to do that is not as usual, a dated entry each.
CREATE TABLE IF NOT EXISTS sighting (
  client_id   INT UNSIGNED NOT NULL,
  sighting_id INT UNSIGNED NOT NULL AUTO_INCREMENT,
  kind        VARCHAR(8) CHARACTER SET ascii NOT NULL,
  profile_id  INT UNSIGNED NOT NULL,
  subject     VARCHAR(120) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  day         DATE NOT NULL,
  from_day    DATE NULL,
  amount      BIGINT UNSIGNED NULL,
  usual       DOUBLE NULL,
  text        VARCHAR(300) NOT NULL DEFAULT '',
  seen_at     TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP,
  settled_at  TIMESTAMP NULL,
  settled_by  INT UNSIGNED NULL,
  PRIMARY KEY (client_id, sighting_id),
  UNIQUE KEY (sighting_id),
  UNIQUE KEY (client_id, kind, profile_id, subject),
  KEY (client_id, day),
  FOREIGN KEY (client_id, profile_id) REFERENCES profile (client_id, profile_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

-- Lists of posts that keep their value, with the times of the week that they fill again and again.
CREATE TABLE IF NOT EXISTS plan_refill (
  client_id    INT UNSIGNED NOT NULL,
  refill_id    INT UNSIGNED NOT NULL AUTO_INCREMENT,
  name         VARCHAR(80) NOT NULL,
  days_apart   SMALLINT UNSIGNED NOT NULL,
  ends_on      DATE NULL,
  is_on        TINYINT NOT NULL DEFAULT 1,
  goes_out     TINYINT NOT NULL DEFAULT 0,
  written_by   INT UNSIGNED NULL,
  written_name VARCHAR(120) NOT NULL DEFAULT '',
  removed_at   TIMESTAMP NULL,
  PRIMARY KEY (client_id, refill_id),
  UNIQUE KEY (refill_id),
  FOREIGN KEY (client_id) REFERENCES client (client_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS plan_refill_slot (
  client_id INT UNSIGNED NOT NULL,
  refill_id INT UNSIGNED NOT NULL,
  weekday   TINYINT UNSIGNED NOT NULL,
  minutes   SMALLINT UNSIGNED NOT NULL,
  PRIMARY KEY (client_id, refill_id, weekday, minutes),
  FOREIGN KEY (client_id, refill_id) REFERENCES plan_refill (client_id, refill_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS plan_refill_post (
  client_id  INT UNSIGNED NOT NULL,
  refill_id  INT UNSIGNED NOT NULL,
  planned_id INT UNSIGNED NOT NULL,
  place      INT UNSIGNED NOT NULL,
  PRIMARY KEY (client_id, refill_id, planned_id),
  FOREIGN KEY (client_id, refill_id) REFERENCES plan_refill (client_id, refill_id) ON DELETE CASCADE,
  FOREIGN KEY (client_id, planned_id) REFERENCES planned_post (client_id, planned_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

-- Each slot that was filled: from which post, and with which.
CREATE TABLE IF NOT EXISTS plan_refill_turn (
  client_id  INT UNSIGNED NOT NULL,
  refill_id  INT UNSIGNED NOT NULL,
  slot_at    TIMESTAMP NOT NULL DEFAULT '2000-01-01 00:00:00',
  source_id  INT UNSIGNED NOT NULL,
  planned_id INT UNSIGNED NOT NULL,
  PRIMARY KEY (client_id, refill_id, slot_at),
  KEY (client_id, source_id),
  FOREIGN KEY (client_id, refill_id) REFERENCES plan_refill (client_id, refill_id) ON DELETE CASCADE,
  FOREIGN KEY (client_id, source_id) REFERENCES planned_post (client_id, planned_id) ON DELETE CASCADE,
  FOREIGN KEY (client_id, planned_id) REFERENCES planned_post (client_id, planned_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

-- Named groups of places, and how many places an agency may have switched on.
CREATE TABLE IF NOT EXISTS place_group (
  client_id  INT UNSIGNED NOT NULL,
  group_id   INT UNSIGNED NOT NULL AUTO_INCREMENT,
  name       VARCHAR(80) NOT NULL,
  removed_at TIMESTAMP NULL,
  PRIMARY KEY (client_id, group_id),
  UNIQUE KEY (group_id),
  FOREIGN KEY (client_id) REFERENCES client (client_id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS place_group_member (
  client_id INT UNSIGNED NOT NULL,
  group_id  INT UNSIGNED NOT NULL,
  place_id  INT UNSIGNED NOT NULL,
  PRIMARY KEY (client_id, group_id, place_id),
  FOREIGN KEY (client_id, group_id) REFERENCES place_group (client_id, group_id) ON DELETE CASCADE,
  FOREIGN KEY (client_id, place_id) REFERENCES place (client_id, place_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

ALTER TABLE agency ADD COLUMN IF NOT EXISTS active_places INT UNSIGNED NULL;

-- What directories and the network of the listings say about places: each entry as it was seen last.
CREATE TABLE IF NOT EXISTS directory_entry (
  client_id     INT UNSIGNED NOT NULL,
  entry_id      INT UNSIGNED NOT NULL AUTO_INCREMENT,
  place_id      INT UNSIGNED NOT NULL,
  directory     VARCHAR(20) CHARACTER SET ascii NOT NULL,
  remote_id     VARCHAR(60) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  address       VARCHAR(300) NOT NULL DEFAULT '',
  record        LONGTEXT NOT NULL,
  is_ours       TINYINT UNSIGNED NOT NULL DEFAULT 1,
  first_seen_at TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP,
  seen_at       TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP,
  gone_at       TIMESTAMP NULL,
  PRIMARY KEY (client_id, entry_id),
  UNIQUE KEY (entry_id),
  UNIQUE KEY (client_id, directory, remote_id),
  KEY (client_id, place_id),
  FOREIGN KEY (client_id, place_id) REFERENCES place (client_id, place_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

-- When each of them was looked at last.
CREATE TABLE IF NOT EXISTS directory_poll (
  client_id INT UNSIGNED NOT NULL,
  directory VARCHAR(20) CHARACTER SET ascii NOT NULL,
  polled_at TIMESTAMP NULL,
  problem   VARCHAR(400) NOT NULL DEFAULT '',
  PRIMARY KEY (client_id, directory),
  FOREIGN KEY (client_id) REFERENCES client (client_id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

-- What has changed in an entry from one look to the next, and what was done about it.
CREATE TABLE IF NOT EXISTS entry_change (
  client_id  INT UNSIGNED NOT NULL,
  change_id  INT UNSIGNED NOT NULL AUTO_INCREMENT,
  entry_id   INT UNSIGNED NOT NULL,
  field      VARCHAR(12) CHARACTER SET ascii NOT NULL,
  was        VARCHAR(1300) NOT NULL DEFAULT '',
  became     VARCHAR(1300) NOT NULL DEFAULT '',
  changed_by VARCHAR(120) NOT NULL DEFAULT '',
  seen_at    TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP,
  state      VARCHAR(8) CHARACTER SET ascii NOT NULL,
  kept_over  VARCHAR(1300) NULL,
  settled_by INT UNSIGNED NULL,
  settled_at TIMESTAMP NULL,
  PRIMARY KEY (client_id, change_id),
  UNIQUE KEY (change_id),
  KEY (client_id, state, seen_at),
  FOREIGN KEY (client_id, entry_id) REFERENCES directory_entry (client_id, entry_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

-- What a directory is asked to say instead.
CREATE TABLE IF NOT EXISTS entry_correction (
  client_id     INT UNSIGNED NOT NULL,
  correction_id INT UNSIGNED NOT NULL AUTO_INCREMENT,
  entry_id      INT UNSIGNED NOT NULL,
  field         VARCHAR(12) CHARACTER SET ascii NOT NULL,
  value         VARCHAR(1300) NOT NULL,
  state         VARCHAR(12) CHARACTER SET ascii NOT NULL,
  reason        VARCHAR(400) NOT NULL DEFAULT '',
  asked_by      INT UNSIGNED NULL,
  asked_at      TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP,
  answered_at   TIMESTAMP NULL,
  PRIMARY KEY (client_id, correction_id),
  UNIQUE KEY (correction_id),
  KEY (client_id, entry_id, field),
  FOREIGN KEY (client_id, entry_id) REFERENCES directory_entry (client_id, entry_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

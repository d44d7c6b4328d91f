-- What the listing of a place shows: each picture with who has added it, when it came and went, and how it looks.
CREATE TABLE IF NOT EXISTS listing_picture (
  client_id   INT UNSIGNED NOT NULL,
  profile_id  INT UNSIGNED NOT NULL,
  remote_id   VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  added_at    TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP,
  day         DATE NOT NULL,
  author      VARCHAR(120) NOT NULL DEFAULT '',
  text        VARCHAR(400) NOT NULL DEFAULT '',
  removed_at  TIMESTAMP NULL,
  picture_url VARCHAR(400) NULL,
  views       BIGINT UNSIGNED NULL,
  PRIMARY KEY (client_id, profile_id, remote_id),
  KEY (client_id, day, profile_id),
  FOREIGN KEY (client_id, profile_id) REFERENCES profile (client_id, profile_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS listing_picture_file (
  client_id  INT UNSIGNED NOT NULL,
  profile_id INT UNSIGNED NOT NULL,
  remote_id  VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  type       VARCHAR(40) NOT NULL,
  bytes      MEDIUMBLOB NOT NULL,
  PRIMARY KEY (client_id, profile_id, remote_id),
  FOREIGN KEY (client_id, profile_id, remote_id)
    REFERENCES listing_picture (client_id, profile_id, remote_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

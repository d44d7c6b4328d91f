-- What people ask about listings, and who has answered it.
CREATE TABLE IF NOT EXISTS question (
  client_id   INT UNSIGNED NOT NULL,
  profile_id  INT UNSIGNED NOT NULL,
  remote_id   VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  asked_at    TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP,
  day         DATE NOT NULL,
  author      VARCHAR(120) NOT NULL DEFAULT '',
  text        VARCHAR(4000) NOT NULL DEFAULT '',
  answered_at TIMESTAMP NULL,
  answer      VARCHAR(4000) NULL,
  answered_by VARCHAR(120) NULL,
  wanted      INT UNSIGNED NULL,
  PRIMARY KEY (client_id, profile_id, remote_id),
  KEY (client_id, day, profile_id),
  FOREIGN KEY (client_id, profile_id) REFERENCES profile (client_id, profile_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

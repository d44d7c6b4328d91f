-- Entries that directories were asked for, of places that they do not have.
CREATE TABLE IF NOT EXISTS entry_request (
  client_id   INT UNSIGNED NOT NULL,
  request_id  INT UNSIGNED NOT NULL AUTO_INCREMENT,
  place_id    INT UNSIGNED NOT NULL,
  directory   VARCHAR(40) CHARACTER SET ascii NOT NULL,
  state       VARCHAR(12) CHARACTER SET ascii NOT NULL,
  reason      VARCHAR(400) NOT NULL DEFAULT '',
  asked_by    INT UNSIGNED NULL,
  asked_at    TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP,
  answered_at TIMESTAMP NULL,
  PRIMARY KEY (client_id, request_id),
  UNIQUE KEY (request_id),
  KEY (client_id, place_id, directory),
  FOREIGN KEY (client_id, place_id) REFERENCES place (client_id, place_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

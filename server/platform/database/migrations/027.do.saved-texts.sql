-- Texts that are kept to be used again in posts.
CREATE TABLE IF NOT EXISTS saved_text (
  client_id  INT UNSIGNED NOT NULL,
  text_id    INT UNSIGNED NOT NULL AUTO_INCREMENT,
  name       VARCHAR(80) NOT NULL,
  text       TEXT NOT NULL,
  removed_at TIMESTAMP NULL,
  PRIMARY KEY (client_id, text_id),
  UNIQUE KEY (text_id),
  FOREIGN KEY (client_id) REFERENCES client (client_id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

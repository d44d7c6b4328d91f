-- Figures of an industry, as somebody has written them down or brought them from a file.
CREATE TABLE IF NOT EXISTS industry_figure (
  client_id    INT UNSIGNED NOT NULL,
  reference_id INT UNSIGNED NOT NULL AUTO_INCREMENT,
  measure      VARCHAR(40) CHARACTER SET ascii NOT NULL,
  network      VARCHAR(20) CHARACTER SET ascii NOT NULL DEFAULT '',
  from_size    INT UNSIGNED NULL,
  below_size   INT UNSIGNED NULL,
  lower_value  DOUBLE NULL,
  middle_value DOUBLE NOT NULL,
  upper_value  DOUBLE NULL,
  source       VARCHAR(200) NOT NULL,
  day          DATE NOT NULL,
  is_invented  TINYINT UNSIGNED NOT NULL DEFAULT 0,
  created_at   TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP,
  removed_at   TIMESTAMP NULL,
  PRIMARY KEY (client_id, reference_id),
  UNIQUE KEY (reference_id),
  FOREIGN KEY (client_id) REFERENCES client (client_id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

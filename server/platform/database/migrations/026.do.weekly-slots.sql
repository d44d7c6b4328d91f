-- The times of the week at which a client's posts go out.
CREATE TABLE IF NOT EXISTS plan_slot (
  client_id INT UNSIGNED NOT NULL,
  weekday   TINYINT UNSIGNED NOT NULL,
  minutes   SMALLINT UNSIGNED NOT NULL,
  PRIMARY KEY (client_id, weekday, minutes),
  FOREIGN KEY (client_id) REFERENCES client (client_id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

-- Viewers who are assigned to single places of a client see those and nothing else of it.
ALTER TABLE person_client
  ADD COLUMN IF NOT EXISTS is_of_places TINYINT(1) NOT NULL DEFAULT 0;

CREATE TABLE IF NOT EXISTS person_place (
  person_id      INT UNSIGNED NOT NULL,
  client_id      INT UNSIGNED NOT NULL,
  place_id       INT UNSIGNED NOT NULL,
  PRIMARY KEY (person_id, client_id, place_id),
  FOREIGN KEY (person_id, client_id) REFERENCES person_client (person_id, client_id) ON DELETE CASCADE,
  FOREIGN KEY (client_id, place_id) REFERENCES place (client_id, place_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

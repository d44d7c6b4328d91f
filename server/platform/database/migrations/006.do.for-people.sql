ALTER TABLE import
  MODIFY COLUMN state ENUM('uploading', 'uploaded', 'checking', 'checked', 'applying', 'applied', 'undoing', 'undone', 'failed', 'opening') NOT NULL;

ALTER TABLE client
  ADD COLUMN IF NOT EXISTS released SET('figures', 'rivals', 'reports') NOT NULL DEFAULT '' AFTER universe;

ALTER TABLE consent_request
  ADD COLUMN IF NOT EXISTS asked_at   TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP AFTER token_hash,
  ADD COLUMN IF NOT EXISTS refused_at TIMESTAMP NULL AFTER used_at;

ALTER TABLE share_link
  ADD COLUMN IF NOT EXISTS reader VARCHAR(120) NOT NULL DEFAULT '' AFTER purpose;

ALTER TABLE edition
  ADD COLUMN IF NOT EXISTS superseded_by INT UNSIGNED NULL AFTER issued_by_name;

CREATE TABLE IF NOT EXISTS target_network (
  client_id      INT UNSIGNED NOT NULL,
  target_id      INT UNSIGNED NOT NULL,
  network        VARCHAR(40)  CHARACTER SET ascii NOT NULL,
  PRIMARY KEY (client_id, target_id, network),
  FOREIGN KEY (client_id, target_id) REFERENCES target (client_id, target_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

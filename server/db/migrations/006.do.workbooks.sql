ALTER TABLE import
  MODIFY COLUMN state ENUM('uploading', 'uploaded', 'checking', 'checked', 'applying', 'applied', 'undoing', 'undone', 'failed', 'opening') NOT NULL;

ALTER TABLE client
  ADD COLUMN IF NOT EXISTS released SET('figures', 'rivals', 'reports') NOT NULL DEFAULT '' AFTER universe;

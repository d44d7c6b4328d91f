ALTER TABLE import
  MODIFY COLUMN state ENUM('uploading', 'uploaded', 'checking', 'checked', 'applying', 'applied', 'undoing', 'undone', 'failed', 'opening') NOT NULL;

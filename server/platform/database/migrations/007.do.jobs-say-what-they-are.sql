ALTER TABLE job
  ADD COLUMN IF NOT EXISTS priority       TINYINT UNSIGNED NOT NULL DEFAULT 0 AFTER subject,
  ADD COLUMN IF NOT EXISTS writes_figures TINYINT(1)       NOT NULL DEFAULT 0 AFTER priority;

UPDATE job SET priority = 1 WHERE kind = 'sync';
UPDATE job SET writes_figures = 1 WHERE kind IN ('sync', 'import.apply', 'import.undo');

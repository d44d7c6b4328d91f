-- Questions come from files too: which import has written a row, which of its columns, and when it changed.
ALTER TABLE question
  ADD COLUMN IF NOT EXISTS import_id  INT UNSIGNED NULL,
  ADD COLUMN IF NOT EXISTS imported   BIGINT UNSIGNED NOT NULL DEFAULT 0,
  ADD COLUMN IF NOT EXISTS changed_at TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP;

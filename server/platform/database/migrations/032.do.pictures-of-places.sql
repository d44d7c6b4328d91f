-- Where pictures are that may be shown of a place.
ALTER TABLE place
  ADD COLUMN IF NOT EXISTS pictures LONGTEXT NULL AFTER description;

-- A profile is followed by the network's id of it: what it was called before, and since when it is no longer there.
ALTER TABLE profile
  ADD COLUMN IF NOT EXISTS former_handle VARCHAR(120) NULL,
  ADD COLUMN IF NOT EXISTS renamed_on DATE NULL,
  ADD COLUMN IF NOT EXISTS gone_on DATE NULL;

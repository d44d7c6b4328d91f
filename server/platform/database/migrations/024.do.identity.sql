-- A profile is followed by the network's id of it: what it was called before, and since when it is no longer there.
ALTER TABLE profile
  ADD COLUMN former_handle VARCHAR(120) NULL,
  ADD COLUMN renamed_on DATE NULL,
  ADD COLUMN gone_on DATE NULL;

ALTER TABLE agency
  ADD COLUMN IF NOT EXISTS active_profiles INT UNSIGNED NULL;

ALTER TABLE client
  ADD COLUMN IF NOT EXISTS website VARCHAR(300) NOT NULL DEFAULT '';

ALTER TABLE profile
  ADD COLUMN IF NOT EXISTS is_rival TINYINT(1)   NOT NULL DEFAULT 0 AFTER is_active,
  ADD COLUMN IF NOT EXISTS rival    VARCHAR(120) NULL               AFTER is_rival,
  ADD COLUMN IF NOT EXISTS posts_to DATE         NULL               AFTER synced_to,
  ADD COLUMN IF NOT EXISTS parts_to DATE         NULL               AFTER posts_to;

UPDATE profile SET posts_to = synced_to;

ALTER TABLE profile_day
  ADD COLUMN IF NOT EXISTS visitors_1d  INT UNSIGNED NULL AFTER reach_28d,
  ADD COLUMN IF NOT EXISTS visitors_7d  INT UNSIGNED NULL AFTER visitors_1d,
  ADD COLUMN IF NOT EXISTS visitors_28d INT UNSIGNED NULL AFTER visitors_7d;

ALTER TABLE import_before
  ADD COLUMN IF NOT EXISTS visitors_1d  INT UNSIGNED NULL AFTER reach_28d,
  ADD COLUMN IF NOT EXISTS visitors_7d  INT UNSIGNED NULL AFTER visitors_1d,
  ADD COLUMN IF NOT EXISTS visitors_28d INT UNSIGNED NULL AFTER visitors_7d;

CREATE TABLE IF NOT EXISTS profile_day_part (
  client_id      INT UNSIGNED NOT NULL,
  profile_id     INT UNSIGNED NOT NULL,
  split          VARCHAR(30)  CHARACTER SET ascii NOT NULL,
  day            DATE         NOT NULL,
  part           VARCHAR(80)  NOT NULL,
  value          INT UNSIGNED NOT NULL,
  PRIMARY KEY (client_id, profile_id, split, day, part),
  FOREIGN KEY (client_id, profile_id) REFERENCES profile (client_id, profile_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS network_day (
  network        VARCHAR(20)  CHARACTER SET ascii NOT NULL,
  day            DATE         NOT NULL,
  posts          BIGINT UNSIGNED NULL,
  interactions   BIGINT UNSIGNED NULL,
  impressions    BIGINT UNSIGNED NULL,
  PRIMARY KEY (network, day)
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS profile_set (
  client_id      INT UNSIGNED NOT NULL,
  set_id         INT UNSIGNED NOT NULL AUTO_INCREMENT UNIQUE,
  name           VARCHAR(80)  NOT NULL,
  removed_at     TIMESTAMP    NULL,
  PRIMARY KEY (client_id, set_id),
  FOREIGN KEY (client_id) REFERENCES client (client_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS profile_set_member (
  client_id      INT UNSIGNED NOT NULL,
  set_id         INT UNSIGNED NOT NULL,
  profile_id     INT UNSIGNED NOT NULL,
  PRIMARY KEY (client_id, set_id, profile_id),
  FOREIGN KEY (client_id, set_id) REFERENCES profile_set (client_id, set_id) ON DELETE CASCADE,
  FOREIGN KEY (client_id, profile_id) REFERENCES profile (client_id, profile_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS saved_scope (
  client_id      INT UNSIGNED NOT NULL,
  scope_id       INT UNSIGNED NOT NULL AUTO_INCREMENT UNIQUE,
  name           VARCHAR(80)  NOT NULL,
  parts          LONGTEXT     NOT NULL,
  removed_at     TIMESTAMP    NULL,
  PRIMARY KEY (client_id, scope_id),
  FOREIGN KEY (client_id) REFERENCES client (client_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS target (
  client_id      INT UNSIGNED NOT NULL,
  target_id      INT UNSIGNED NOT NULL AUTO_INCREMENT UNIQUE,
  metric         VARCHAR(40)  CHARACTER SET ascii NOT NULL,
  who            VARCHAR(400) CHARACTER SET ascii NOT NULL,
  wanted         DOUBLE       NOT NULL,
  from_day       DATE         NOT NULL,
  by_day         DATE         NOT NULL,
  created_by     INT UNSIGNED NULL,
  created_at     TIMESTAMP    NOT NULL DEFAULT CURRENT_TIMESTAMP,
  removed_at     TIMESTAMP    NULL,
  PRIMARY KEY (client_id, target_id),
  FOREIGN KEY (client_id) REFERENCES client (client_id) ON DELETE CASCADE,
  FOREIGN KEY (created_by) REFERENCES person (person_id) ON DELETE SET NULL
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS profile_search (
  client_id      INT UNSIGNED NOT NULL,
  search_id      INT UNSIGNED NOT NULL AUTO_INCREMENT UNIQUE,
  address        VARCHAR(300) NOT NULL,
  handle         VARCHAR(60)  NOT NULL,
  found          LONGTEXT     NOT NULL,
  searched_at    TIMESTAMP    NOT NULL DEFAULT CURRENT_TIMESTAMP,
  PRIMARY KEY (client_id, search_id),
  FOREIGN KEY (client_id) REFERENCES client (client_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS client_version (
  client_id      INT UNSIGNED NOT NULL PRIMARY KEY,
  version        BIGINT UNSIGNED NOT NULL DEFAULT 1
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

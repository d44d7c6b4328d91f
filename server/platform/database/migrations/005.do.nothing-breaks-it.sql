ALTER TABLE person
  ADD COLUMN IF NOT EXISTS is_active TINYINT(1) NOT NULL DEFAULT 1 AFTER role;

CREATE TABLE IF NOT EXISTS session (
  person_id      INT UNSIGNED NOT NULL,
  session_id     INT UNSIGNED NOT NULL AUTO_INCREMENT UNIQUE,
  token_hash     BINARY(32)   NOT NULL UNIQUE,
  role           ENUM('owner', 'analyst', 'viewer') NOT NULL,
  password_mark  BINARY(32)   NOT NULL,
  address        VARCHAR(45)  CHARACTER SET ascii NOT NULL,
  browser        VARCHAR(200) NOT NULL,
  created_at     TIMESTAMP    NOT NULL DEFAULT CURRENT_TIMESTAMP,
  seen_at        TIMESTAMP    NOT NULL DEFAULT CURRENT_TIMESTAMP,
  PRIMARY KEY (person_id, session_id),
  FOREIGN KEY (person_id) REFERENCES person (person_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS known_address (
  person_id      INT UNSIGNED NOT NULL,
  address        VARCHAR(45)  CHARACTER SET ascii NOT NULL,
  signed_in_at   TIMESTAMP    NOT NULL DEFAULT CURRENT_TIMESTAMP,
  PRIMARY KEY (person_id, address),
  FOREIGN KEY (person_id) REFERENCES person (person_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

DROP TABLE IF EXISTS sign_in_attempt;

CREATE TABLE IF NOT EXISTS throttle (
  subject        VARCHAR(260) NOT NULL PRIMARY KEY,
  tries          INT UNSIGNED NOT NULL DEFAULT 0,
  tried_at       TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  free_at        TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  KEY (tried_at)
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

ALTER TABLE job
  ADD COLUMN IF NOT EXISTS furthest      BIGINT UNSIGNED NOT NULL DEFAULT 0 AFTER progress,
  ADD COLUMN IF NOT EXISTS deaths        INT UNSIGNED    NOT NULL DEFAULT 0 AFTER attempts,
  ADD COLUMN IF NOT EXISTS is_held       TINYINT(1)      NOT NULL DEFAULT 0 AFTER run_after,
  ADD COLUMN IF NOT EXISTS writes_client INT UNSIGNED    NULL               AFTER lease_until,
  ADD UNIQUE INDEX IF NOT EXISTS writes_client (writes_client),
  ADD INDEX IF NOT EXISTS finished_at (finished_at);

ALTER TABLE profile_day
  ADD COLUMN IF NOT EXISTS imported BIGINT UNSIGNED NOT NULL DEFAULT 0 AFTER import_id;

UPDATE profile_day SET imported = 1099511627775 WHERE import_id IS NOT NULL AND imported = 0;

ALTER TABLE import_before
  ADD COLUMN IF NOT EXISTS written           BIGINT UNSIGNED NULL               AFTER existed,
  ADD COLUMN IF NOT EXISTS previous_imported BIGINT UNSIGNED NOT NULL DEFAULT 0 AFTER previous_import,
  ADD INDEX IF NOT EXISTS previous_import (client_id, previous_import);

UPDATE import_before SET previous_imported = 1099511627775 WHERE previous_import IS NOT NULL AND previous_imported = 0;

ALTER TABLE edition
  ADD COLUMN IF NOT EXISTS title          VARCHAR(160) NOT NULL DEFAULT '' AFTER number,
  ADD COLUMN IF NOT EXISTS period_words   VARCHAR(200) NOT NULL DEFAULT '' AFTER title,
  ADD COLUMN IF NOT EXISTS period_to      DATE         NULL                AFTER period_words,
  ADD COLUMN IF NOT EXISTS issued_by_name VARCHAR(120) NULL                AFTER issued_by,
  ADD INDEX IF NOT EXISTS issued_at (client_id, issued_at);

UPDATE edition e
LEFT JOIN person p ON p.person_id = e.issued_by
SET    e.title = COALESCE(JSON_VALUE(e.content, '$.title'), ''), e.period_words = COALESCE(JSON_VALUE(e.content, '$.periodWords'), ''),
       e.period_to = JSON_VALUE(e.content, '$.period.to'), e.issued_by_name = COALESCE(e.issued_by_name, p.name)
WHERE  e.period_to IS NULL;

ALTER TABLE edition_pdf
  ADD COLUMN IF NOT EXISTS sha256 CHAR(64) CHARACTER SET ascii NOT NULL DEFAULT '';

UPDATE edition_pdf SET sha256 = SHA2(content, 256) WHERE sha256 = '';

CREATE TABLE IF NOT EXISTS target_member (
  client_id      INT UNSIGNED NOT NULL,
  target_id      INT UNSIGNED NOT NULL,
  is_set         TINYINT(1)   NOT NULL,
  member_id      INT UNSIGNED NOT NULL,
  PRIMARY KEY (client_id, target_id, is_set, member_id),
  FOREIGN KEY (client_id, target_id) REFERENCES target (client_id, target_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

INSERT IGNORE INTO target_member (client_id, target_id, is_set, member_id)
SELECT t.client_id, t.target_id, LEFT(m.part, 1) = 's', CAST(REPLACE(m.part, 's', '') AS UNSIGNED)
FROM   target t,
       JSON_TABLE(CONCAT('["', REPLACE(t.who, ',', '","'), '"]'), '$[*]' COLUMNS (part VARCHAR(12) PATH '$')) m
WHERE  t.who <> 'all'
AND    t.who <> 'some';

UPDATE target SET who = 'some' WHERE who <> 'all';

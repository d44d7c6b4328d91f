CREATE TABLE IF NOT EXISTS agency (
  agency_id      INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  name           VARCHAR(120) NOT NULL,
  address        VARCHAR(400) NOT NULL DEFAULT '',
  contact        VARCHAR(200) NOT NULL DEFAULT '',
  colour         CHAR(7)      NOT NULL DEFAULT '#23409A',
  logo_svg       TEXT         NULL
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS client (
  client_id      INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  agency_id      INT UNSIGNED NOT NULL,
  slug           VARCHAR(60)  NOT NULL UNIQUE,
  name           VARCHAR(120) NOT NULL,
  time_zone      VARCHAR(60)  NOT NULL,
  universe       INT UNSIGNED NULL,
  FOREIGN KEY (agency_id) REFERENCES agency (agency_id)
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS person (
  person_id      INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  agency_id      INT UNSIGNED NOT NULL,
  email          VARCHAR(190) NOT NULL UNIQUE,
  name           VARCHAR(120) NOT NULL,
  role           ENUM('owner', 'analyst', 'viewer') NOT NULL,
  password_hash  VARCHAR(255) NOT NULL,
  is_demo        TINYINT(1)   NOT NULL DEFAULT 0,
  FOREIGN KEY (agency_id) REFERENCES agency (agency_id)
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS person_client (
  person_id      INT UNSIGNED NOT NULL,
  client_id      INT UNSIGNED NOT NULL,
  PRIMARY KEY (person_id, client_id),
  FOREIGN KEY (person_id) REFERENCES person (person_id) ON DELETE CASCADE,
  FOREIGN KEY (client_id) REFERENCES client (client_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS sign_in_attempt (
  subject        VARCHAR(200) NOT NULL,
  attempted_at   TIMESTAMP(6) NOT NULL DEFAULT CURRENT_TIMESTAMP(6),
  attempt_id     BIGINT UNSIGNED NOT NULL AUTO_INCREMENT UNIQUE,
  PRIMARY KEY (subject, attempted_at, attempt_id)
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS profile (
  client_id      INT UNSIGNED NOT NULL,
  profile_id     INT UNSIGNED NOT NULL AUTO_INCREMENT UNIQUE,
  network        VARCHAR(20)  NOT NULL,
  handle         VARCHAR(120) NOT NULL,
  name           VARCHAR(120) NOT NULL,
  remote_id      VARCHAR(40)  CHARACTER SET ascii NOT NULL,
  is_active      TINYINT(1)   NOT NULL DEFAULT 1,
  consent        ENUM('none', 'given', 'withdrawn') NOT NULL DEFAULT 'none',
  tokens         VARBINARY(4000) NULL,
  synced_to      DATE         NULL,
  synced_at      TIMESTAMP    NULL,
  first_fetch    TINYINT(1)   NOT NULL DEFAULT 0,
  sync_error     VARCHAR(400) NULL,
  PRIMARY KEY (client_id, profile_id),
  UNIQUE KEY (client_id, network, remote_id),
  FOREIGN KEY (client_id) REFERENCES client (client_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS import (
  client_id      INT UNSIGNED NOT NULL,
  import_id      INT UNSIGNED NOT NULL AUTO_INCREMENT UNIQUE,
  file_name      VARCHAR(255) NOT NULL,
  bytes          BIGINT UNSIGNED NOT NULL DEFAULT 0,
  state          ENUM('uploading', 'uploaded', 'checking', 'checked', 'applying', 'applied', 'undoing', 'undone', 'failed') NOT NULL,
  layout         LONGTEXT     NOT NULL DEFAULT '{}',
  mapping        LONGTEXT     NULL,
  summary        LONGTEXT     NULL,
  applied_rows   BIGINT UNSIGNED NOT NULL DEFAULT 0,
  created_by     INT UNSIGNED NULL,
  created_at     TIMESTAMP    NOT NULL DEFAULT CURRENT_TIMESTAMP,
  applied_at     TIMESTAMP    NULL,
  PRIMARY KEY (client_id, import_id),
  FOREIGN KEY (client_id) REFERENCES client (client_id) ON DELETE CASCADE,
  FOREIGN KEY (created_by) REFERENCES person (person_id) ON DELETE SET NULL
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS import_chunk (
  client_id      INT UNSIGNED NOT NULL,
  import_id      INT UNSIGNED NOT NULL,
  chunk          INT UNSIGNED NOT NULL,
  content        MEDIUMBLOB   NOT NULL,
  PRIMARY KEY (client_id, import_id, chunk),
  FOREIGN KEY (client_id, import_id) REFERENCES import (client_id, import_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS import_bad_row (
  client_id      INT UNSIGNED NOT NULL,
  import_id      INT UNSIGNED NOT NULL,
  line           BIGINT UNSIGNED NOT NULL,
  reason         VARCHAR(400) NOT NULL,
  cells          LONGTEXT     NOT NULL,
  PRIMARY KEY (client_id, import_id, line),
  FOREIGN KEY (client_id, import_id) REFERENCES import (client_id, import_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS import_memory (
  client_id      INT UNSIGNED NOT NULL,
  signature      CHAR(64)     CHARACTER SET ascii NOT NULL,
  mapping        LONGTEXT     NOT NULL,
  PRIMARY KEY (client_id, signature),
  FOREIGN KEY (client_id) REFERENCES client (client_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS profile_day (
  client_id      INT UNSIGNED NOT NULL,
  profile_id     INT UNSIGNED NOT NULL,
  day            DATE         NOT NULL,
  impressions    INT UNSIGNED NULL,
  views          INT UNSIGNED NULL,
  reactions      INT UNSIGNED NULL,
  comments       INT UNSIGNED NULL,
  shares         INT UNSIGNED NULL,
  saves          INT UNSIGNED NULL,
  clicks         INT UNSIGNED NULL,
  posts          INT UNSIGNED NULL,
  profile_visits INT UNSIGNED NULL,
  new_followers  INT UNSIGNED NULL,
  lost_followers INT UNSIGNED NULL,
  followers      INT UNSIGNED NULL,
  reach_1d       INT UNSIGNED NULL,
  reach_7d       INT UNSIGNED NULL,
  reach_28d      INT UNSIGNED NULL,
  import_id      INT UNSIGNED NULL,
  changed_at     TIMESTAMP    NOT NULL DEFAULT CURRENT_TIMESTAMP,
  PRIMARY KEY (client_id, profile_id, day),
  FOREIGN KEY (client_id, profile_id) REFERENCES profile (client_id, profile_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS import_before (
  client_id      INT UNSIGNED NOT NULL,
  import_id      INT UNSIGNED NOT NULL,
  profile_id     INT UNSIGNED NOT NULL,
  day            DATE         NOT NULL,
  existed        TINYINT(1)   NOT NULL,
  impressions    INT UNSIGNED NULL,
  views          INT UNSIGNED NULL,
  reactions      INT UNSIGNED NULL,
  comments       INT UNSIGNED NULL,
  shares         INT UNSIGNED NULL,
  saves          INT UNSIGNED NULL,
  clicks         INT UNSIGNED NULL,
  posts          INT UNSIGNED NULL,
  profile_visits INT UNSIGNED NULL,
  new_followers  INT UNSIGNED NULL,
  lost_followers INT UNSIGNED NULL,
  followers      INT UNSIGNED NULL,
  reach_1d       INT UNSIGNED NULL,
  reach_7d       INT UNSIGNED NULL,
  reach_28d      INT UNSIGNED NULL,
  previous_import INT UNSIGNED NULL,
  changed_at     TIMESTAMP    NULL,
  PRIMARY KEY (client_id, import_id, profile_id, day),
  FOREIGN KEY (client_id, import_id) REFERENCES import (client_id, import_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS restatement (
  client_id      INT UNSIGNED NOT NULL,
  profile_id     INT UNSIGNED NOT NULL,
  day            DATE         NOT NULL,
  metric         VARCHAR(30)  CHARACTER SET ascii NOT NULL,
  seen_at        TIMESTAMP(6) NOT NULL DEFAULT CURRENT_TIMESTAMP(6),
  old_value      BIGINT       NULL,
  new_value      BIGINT       NULL,
  PRIMARY KEY (client_id, profile_id, day, metric, seen_at),
  FOREIGN KEY (client_id, profile_id) REFERENCES profile (client_id, profile_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS post (
  client_id      INT UNSIGNED NOT NULL,
  profile_id     INT UNSIGNED NOT NULL,
  remote_id      VARCHAR(40)  CHARACTER SET ascii NOT NULL,
  published_at   TIMESTAMP    NOT NULL,
  day            DATE         NOT NULL,
  format         VARCHAR(20)  NOT NULL,
  text           VARCHAR(2000) NOT NULL,
  impressions    INT UNSIGNED NULL,
  reactions      INT UNSIGNED NULL,
  comments       INT UNSIGNED NULL,
  shares         INT UNSIGNED NULL,
  saves          INT UNSIGNED NULL,
  PRIMARY KEY (client_id, profile_id, remote_id),
  KEY (client_id, profile_id, day),
  FOREIGN KEY (client_id, profile_id) REFERENCES profile (client_id, profile_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS note (
  client_id      INT UNSIGNED NOT NULL,
  note_id        INT UNSIGNED NOT NULL AUTO_INCREMENT UNIQUE,
  from_day       DATE         NOT NULL,
  to_day         DATE         NOT NULL,
  title          VARCHAR(120) NOT NULL,
  body           VARCHAR(2000) NOT NULL DEFAULT '',
  written_by     INT UNSIGNED NULL,
  written_at     TIMESTAMP    NOT NULL DEFAULT CURRENT_TIMESTAMP,
  removed_at     TIMESTAMP    NULL,
  PRIMARY KEY (client_id, note_id),
  KEY (client_id, from_day),
  FOREIGN KEY (client_id) REFERENCES client (client_id) ON DELETE CASCADE,
  FOREIGN KEY (written_by) REFERENCES person (person_id) ON DELETE SET NULL
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS report (
  client_id      INT UNSIGNED NOT NULL,
  report_id      INT UNSIGNED NOT NULL AUTO_INCREMENT UNIQUE,
  title          VARCHAR(160) NOT NULL,
  period         VARCHAR(60)  NOT NULL,
  against        VARCHAR(30)  NOT NULL,
  blocks         LONGTEXT     NOT NULL,
  version        INT UNSIGNED NOT NULL DEFAULT 1,
  created_at     TIMESTAMP    NOT NULL DEFAULT CURRENT_TIMESTAMP,
  changed_at     TIMESTAMP    NOT NULL DEFAULT CURRENT_TIMESTAMP,
  removed_at     TIMESTAMP    NULL,
  PRIMARY KEY (client_id, report_id),
  FOREIGN KEY (client_id) REFERENCES client (client_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS edition (
  client_id      INT UNSIGNED NOT NULL,
  edition_id     INT UNSIGNED NOT NULL AUTO_INCREMENT UNIQUE,
  report_id      INT UNSIGNED NOT NULL,
  number         INT UNSIGNED NOT NULL,
  request_key    CHAR(36)     CHARACTER SET ascii NOT NULL,
  content        LONGTEXT     NOT NULL,
  sha256         CHAR(64)     CHARACTER SET ascii NOT NULL,
  issued_at      TIMESTAMP    NOT NULL DEFAULT CURRENT_TIMESTAMP,
  issued_by      INT UNSIGNED NULL,
  PRIMARY KEY (client_id, edition_id),
  UNIQUE KEY (client_id, report_id, number),
  UNIQUE KEY (client_id, request_key),
  FOREIGN KEY (client_id, report_id) REFERENCES report (client_id, report_id),
  FOREIGN KEY (issued_by) REFERENCES person (person_id) ON DELETE SET NULL
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS edition_pdf (
  client_id      INT UNSIGNED NOT NULL,
  edition_id     INT UNSIGNED NOT NULL,
  content        LONGBLOB     NOT NULL,
  PRIMARY KEY (client_id, edition_id),
  FOREIGN KEY (client_id, edition_id) REFERENCES edition (client_id, edition_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS share_link (
  client_id      INT UNSIGNED NOT NULL,
  share_id       INT UNSIGNED NOT NULL AUTO_INCREMENT UNIQUE,
  edition_id     INT UNSIGNED NOT NULL,
  token_hash     BINARY(32)   NOT NULL UNIQUE,
  purpose        ENUM('reader', 'print') NOT NULL DEFAULT 'reader',
  ends_at        TIMESTAMP    NOT NULL,
  revoked_at     TIMESTAMP    NULL,
  created_at     TIMESTAMP    NOT NULL DEFAULT CURRENT_TIMESTAMP,
  PRIMARY KEY (client_id, share_id),
  FOREIGN KEY (client_id, edition_id) REFERENCES edition (client_id, edition_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS consent_request (
  client_id      INT UNSIGNED NOT NULL,
  request_id     INT UNSIGNED NOT NULL AUTO_INCREMENT UNIQUE,
  profile_id     INT UNSIGNED NOT NULL,
  token_hash     BINARY(32)   NOT NULL UNIQUE,
  state_hash     BINARY(32)   NULL UNIQUE,
  verifier       VARBINARY(400) NULL,
  ends_at        TIMESTAMP    NOT NULL,
  used_at        TIMESTAMP    NULL,
  PRIMARY KEY (client_id, request_id),
  FOREIGN KEY (client_id, profile_id) REFERENCES profile (client_id, profile_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS job (
  job_id         BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  client_id      INT UNSIGNED NOT NULL,
  kind           VARCHAR(40)  CHARACTER SET ascii NOT NULL,
  subject        VARCHAR(80)  CHARACTER SET ascii NOT NULL,
  live_key       VARCHAR(130) CHARACTER SET ascii NULL UNIQUE,
  payload        LONGTEXT     NOT NULL DEFAULT '{}',
  state          ENUM('queued', 'running', 'done', 'failed') NOT NULL DEFAULT 'queued',
  progress       BIGINT UNSIGNED NOT NULL DEFAULT 0,
  total          BIGINT UNSIGNED NULL,
  message        VARCHAR(400) NOT NULL DEFAULT '',
  result         LONGTEXT     NULL,
  attempts       INT UNSIGNED NOT NULL DEFAULT 0,
  lease          CHAR(36)     CHARACTER SET ascii NULL,
  lease_until    TIMESTAMP(3) NULL,
  run_after      TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  created_by     INT UNSIGNED NULL,
  created_at     TIMESTAMP    NOT NULL DEFAULT CURRENT_TIMESTAMP,
  finished_at    TIMESTAMP    NULL,
  KEY (state, run_after),
  KEY (client_id, kind, subject),
  FOREIGN KEY (client_id) REFERENCES client (client_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS setting (
  name           VARCHAR(60)  CHARACTER SET ascii NOT NULL PRIMARY KEY,
  value          TEXT         NOT NULL
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

-- How posts of a client are planned: whether another person approves them, and how late one may still go out by itself.
ALTER TABLE client
  ADD COLUMN IF NOT EXISTS needs_approval TINYINT NOT NULL DEFAULT 1,
  ADD COLUMN IF NOT EXISTS late_minutes SMALLINT UNSIGNED NOT NULL DEFAULT 60;

-- Whether the owner of a profile has also allowed to publish there.
ALTER TABLE connection ADD COLUMN IF NOT EXISTS may_publish TINYINT NOT NULL DEFAULT 0;

-- Pictures and videos that were taken in for posts.
CREATE TABLE IF NOT EXISTS plan_file (
  client_id   INT UNSIGNED NOT NULL,
  file_id     INT UNSIGNED NOT NULL AUTO_INCREMENT,
  name        VARCHAR(200) NOT NULL,
  type        VARCHAR(40) NOT NULL,
  size        INT UNSIGNED NOT NULL,
  is_animated TINYINT NOT NULL DEFAULT 0,
  sha256      CHAR(64) NOT NULL,
  content     MEDIUMBLOB NOT NULL,
  created_at  TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP,
  PRIMARY KEY (client_id, file_id),
  UNIQUE KEY (file_id),
  UNIQUE KEY (client_id, sha256),
  FOREIGN KEY (client_id) REFERENCES client (client_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

-- Posts that are to come, from the idea to what was published.
CREATE TABLE IF NOT EXISTS planned_post (
  client_id        INT UNSIGNED NOT NULL,
  planned_id       INT UNSIGNED NOT NULL AUTO_INCREMENT,
  post_key         CHAR(36) NOT NULL,
  state            VARCHAR(12) NOT NULL DEFAULT 'draft',
  content          TEXT NOT NULL,
  version          INT UNSIGNED NOT NULL DEFAULT 1,
  planned_at       TIMESTAMP NULL,
  written_by       INT UNSIGNED NULL,
  written_name     VARCHAR(120) NOT NULL DEFAULT '',
  approved_name    VARCHAR(120) NOT NULL DEFAULT '',
  approved_version INT UNSIGNED NULL,
  series_key       CHAR(36) NULL,
  turn             SMALLINT UNSIGNED NOT NULL DEFAULT 0,
  expected         VARCHAR(400) NULL,
  created_at       TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP,
  changed_at       TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP,
  removed_at       TIMESTAMP NULL,
  PRIMARY KEY (client_id, planned_id),
  UNIQUE KEY (planned_id),
  KEY (client_id, removed_at, planned_at),
  KEY (state, planned_at),
  FOREIGN KEY (client_id) REFERENCES client (client_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

-- What of a planned post one profile has: its own text, and what has become of it.
CREATE TABLE IF NOT EXISTS planned_posting (
  client_id    INT UNSIGNED NOT NULL,
  planned_id   INT UNSIGNED NOT NULL,
  profile_id   INT UNSIGNED NOT NULL,
  own_text     TEXT NULL,
  is_by_hand   TINYINT NOT NULL DEFAULT 0,
  state        VARCHAR(12) NOT NULL DEFAULT '',
  tries        SMALLINT UNSIGNED NOT NULL DEFAULT 0,
  decided_at   TIMESTAMP NULL,
  remote_id    VARCHAR(40) NULL,
  address      VARCHAR(500) NULL,
  refusal      VARCHAR(400) NOT NULL DEFAULT '',
  published_at TIMESTAMP NULL,
  PRIMARY KEY (client_id, planned_id, profile_id),
  KEY (client_id, profile_id, remote_id),
  FOREIGN KEY (client_id, planned_id) REFERENCES planned_post (client_id, planned_id) ON DELETE CASCADE,
  FOREIGN KEY (client_id, profile_id) REFERENCES profile (client_id, profile_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

-- What is said of a planned post, and each step that it has taken.
CREATE TABLE IF NOT EXISTS planned_remark (
  client_id  INT UNSIGNED NOT NULL,
  remark_id  INT UNSIGNED NOT NULL AUTO_INCREMENT,
  planned_id INT UNSIGNED NOT NULL,
  who        VARCHAR(120) NOT NULL,
  step       VARCHAR(12) NOT NULL DEFAULT '',
  text       VARCHAR(2000) NOT NULL DEFAULT '',
  version    INT UNSIGNED NOT NULL,
  written_at TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP,
  PRIMARY KEY (client_id, remark_id),
  UNIQUE KEY (remark_id),
  KEY (client_id, planned_id),
  FOREIGN KEY (client_id, planned_id) REFERENCES planned_post (client_id, planned_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

-- Links by which somebody outside approves a post, and by which a calendar is subscribed to.
CREATE TABLE IF NOT EXISTS plan_link (
  client_id  INT UNSIGNED NOT NULL,
  link_id    INT UNSIGNED NOT NULL AUTO_INCREMENT,
  planned_id INT UNSIGNED NULL,
  token_hash BINARY(32) NOT NULL,
  reader     VARCHAR(120) NOT NULL,
  ends_at    TIMESTAMP NULL,
  revoked_at TIMESTAMP NULL,
  created_at TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP,
  PRIMARY KEY (client_id, link_id),
  UNIQUE KEY (link_id),
  UNIQUE KEY (token_hash),
  FOREIGN KEY (client_id, planned_id) REFERENCES planned_post (client_id, planned_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

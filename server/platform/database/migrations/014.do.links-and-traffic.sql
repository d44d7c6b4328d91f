-- Links that count their clicks, and public pages of several of them. A code is never given twice.
CREATE TABLE IF NOT EXISTS tracked_link (
  client_id  INT UNSIGNED NOT NULL,
  link_id    INT UNSIGNED NOT NULL AUTO_INCREMENT,
  code       CHAR(7) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  name       VARCHAR(80) NOT NULL,
  target     VARCHAR(2000) NOT NULL,
  source     VARCHAR(80) NOT NULL DEFAULT '',
  medium     VARCHAR(80) NOT NULL DEFAULT '',
  campaign   VARCHAR(80) NOT NULL DEFAULT '',
  content    VARCHAR(80) NOT NULL DEFAULT '',
  created_by INT UNSIGNED NULL,
  created_at TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP,
  changed_at TIMESTAMP NULL,
  ended_at   TIMESTAMP NULL,
  removed_at TIMESTAMP NULL,
  PRIMARY KEY (client_id, link_id),
  UNIQUE KEY (link_id),
  UNIQUE KEY (code),
  FOREIGN KEY (client_id) REFERENCES client (client_id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS link_page (
  client_id  INT UNSIGNED NOT NULL,
  page_id    INT UNSIGNED NOT NULL AUTO_INCREMENT,
  code       CHAR(7) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  title      VARCHAR(80) NOT NULL,
  intro      VARCHAR(400) NOT NULL DEFAULT '',
  ground     CHAR(7) CHARACTER SET ascii NOT NULL,
  ink        CHAR(7) CHARACTER SET ascii NOT NULL,
  accent     CHAR(7) CHARACTER SET ascii NOT NULL,
  items      LONGTEXT NOT NULL,
  created_by INT UNSIGNED NULL,
  created_at TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP,
  changed_at TIMESTAMP NULL,
  removed_at TIMESTAMP NULL,
  PRIMARY KEY (client_id, page_id),
  UNIQUE KEY (page_id),
  UNIQUE KEY (code),
  FOREIGN KEY (client_id) REFERENCES client (client_id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

-- How often a link was followed and a page was looked at: numbers alone, nothing of who it was.
CREATE TABLE IF NOT EXISTS link_visit (
  client_id INT UNSIGNED NOT NULL,
  place     VARCHAR(4) CHARACTER SET ascii NOT NULL,
  place_id  INT UNSIGNED NOT NULL,
  day       DATE NOT NULL,
  hour      TINYINT UNSIGNED NOT NULL,
  kind      VARCHAR(8) CHARACTER SET ascii NOT NULL,
  visits    INT UNSIGNED NOT NULL,
  PRIMARY KEY (client_id, place, place_id, day, hour, kind),
  KEY (client_id, day),
  FOREIGN KEY (client_id) REFERENCES client (client_id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS link_visit_part (
  client_id INT UNSIGNED NOT NULL,
  place     VARCHAR(4) CHARACTER SET ascii NOT NULL,
  place_id  INT UNSIGNED NOT NULL,
  day       DATE NOT NULL,
  facet     VARCHAR(8) CHARACTER SET ascii NOT NULL,
  part      VARCHAR(100) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  visits    INT UNSIGNED NOT NULL,
  PRIMARY KEY (client_id, place, place_id, day, facet, part),
  FOREIGN KEY (client_id) REFERENCES client (client_id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

-- Polls and surveys, as somebody has written them down.
CREATE TABLE IF NOT EXISTS poll (
  client_id   INT UNSIGNED NOT NULL,
  poll_id     INT UNSIGNED NOT NULL AUTO_INCREMENT,
  question    VARCHAR(300) NOT NULL,
  asked       VARCHAR(300) NOT NULL,
  chosen      VARCHAR(10) CHARACTER SET ascii NOT NULL,
  from_day    DATE NOT NULL,
  to_day      DATE NOT NULL,
  is_multiple TINYINT UNSIGNED NOT NULL,
  people      INT UNSIGNED NULL,
  answers     LONGTEXT NOT NULL,
  created_by  INT UNSIGNED NULL,
  created_at  TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP,
  removed_at  TIMESTAMP NULL,
  PRIMARY KEY (client_id, poll_id),
  UNIQUE KEY (poll_id),
  FOREIGN KEY (client_id) REFERENCES client (client_id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

-- A package that is being taken in, piece by piece.
CREATE TABLE IF NOT EXISTS package_chunk (
  client_id INT UNSIGNED NOT NULL,
  chunk     INT UNSIGNED NOT NULL,
  content   MEDIUMBLOB NOT NULL,
  PRIMARY KEY (client_id, chunk),
  FOREIGN KEY (client_id) REFERENCES client (client_id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

-- Posts and breakdowns can come from files too: what has written each row last, and which of its columns.
ALTER TABLE post
  ADD COLUMN IF NOT EXISTS import_id INT UNSIGNED NULL,
  ADD COLUMN IF NOT EXISTS imported BIGINT UNSIGNED NOT NULL DEFAULT 0,
  ADD COLUMN IF NOT EXISTS changed_at TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP;
ALTER TABLE profile_day_breakdown
  ADD COLUMN IF NOT EXISTS import_id INT UNSIGNED NULL,
  ADD COLUMN IF NOT EXISTS imported BIGINT UNSIGNED NOT NULL DEFAULT 0,
  ADD COLUMN IF NOT EXISTS changed_at TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP;

-- A client's own sites, and who came to them: by day, by page, and by where they came from.
CREATE TABLE IF NOT EXISTS site (
  client_id  INT UNSIGNED NOT NULL,
  site_id    INT UNSIGNED NOT NULL AUTO_INCREMENT,
  name       VARCHAR(80) NOT NULL,
  address    VARCHAR(300) NOT NULL,
  created_at TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP,
  removed_at TIMESTAMP NULL,
  PRIMARY KEY (client_id, site_id),
  UNIQUE KEY (site_id),
  FOREIGN KEY (client_id) REFERENCES client (client_id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS site_day (
  client_id        INT UNSIGNED NOT NULL,
  site_id          INT UNSIGNED NOT NULL,
  day              DATE NOT NULL,
  visits           INT UNSIGNED NULL,
  visits_consented INT UNSIGNED NULL,
  visitors_1d      INT UNSIGNED NULL,
  visitors_7d      INT UNSIGNED NULL,
  visitors_28d     INT UNSIGNED NULL,
  import_id        INT UNSIGNED NULL,
  imported         BIGINT UNSIGNED NOT NULL DEFAULT 0,
  changed_at       TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP,
  PRIMARY KEY (client_id, site_id, day),
  FOREIGN KEY (client_id, site_id) REFERENCES site (client_id, site_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS site_page_day (
  client_id    INT UNSIGNED NOT NULL,
  site_id      INT UNSIGNED NOT NULL,
  day          DATE NOT NULL,
  page         VARCHAR(150) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  views        INT UNSIGNED NULL,
  unique_views INT UNSIGNED NULL,
  seconds      INT UNSIGNED NULL,
  timed_views  INT UNSIGNED NULL,
  entrances    INT UNSIGNED NULL,
  exits        INT UNSIGNED NULL,
  import_id    INT UNSIGNED NULL,
  imported     BIGINT UNSIGNED NOT NULL DEFAULT 0,
  changed_at   TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP,
  PRIMARY KEY (client_id, site_id, day, page),
  FOREIGN KEY (client_id, site_id) REFERENCES site (client_id, site_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS site_source_day (
  client_id   INT UNSIGNED NOT NULL,
  site_id     INT UNSIGNED NOT NULL,
  day         DATE NOT NULL,
  source      VARCHAR(60) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  medium      VARCHAR(40) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  visits      INT UNSIGNED NULL,
  visitors_1d INT UNSIGNED NULL,
  import_id   INT UNSIGNED NULL,
  imported    BIGINT UNSIGNED NOT NULL DEFAULT 0,
  changed_at  TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP,
  PRIMARY KEY (client_id, site_id, day, source, medium),
  FOREIGN KEY (client_id, site_id) REFERENCES site (client_id, site_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

-- Whom networks were asked about, kept under a name, with what they said then.
CREATE TABLE IF NOT EXISTS kept_estimate (
  client_id   INT UNSIGNED NOT NULL,
  estimate_id INT UNSIGNED NOT NULL AUTO_INCREMENT,
  name        VARCHAR(80) NOT NULL,
  asked       LONGTEXT NOT NULL,
  low         INT UNSIGNED NULL,
  high        INT UNSIGNED NULL,
  asked_at    TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP,
  created_by  INT UNSIGNED NULL,
  removed_at  TIMESTAMP NULL,
  PRIMARY KEY (client_id, estimate_id),
  UNIQUE KEY (estimate_id),
  FOREIGN KEY (client_id) REFERENCES client (client_id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

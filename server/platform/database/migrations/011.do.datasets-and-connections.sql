-- What stood somewhere before an import wrote it: of any dataset, row by row, as one text.
CREATE TABLE IF NOT EXISTS import_record (
  client_id       INT UNSIGNED NOT NULL,
  import_id       INT UNSIGNED NOT NULL,
  dataset         VARCHAR(30)  CHARACTER SET ascii NOT NULL,
  row_key         VARCHAR(190) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  existed         TINYINT(1)   NOT NULL,
  written         BIGINT UNSIGNED NULL,
  previous        LONGTEXT     NULL,
  previous_import INT UNSIGNED NULL,
  PRIMARY KEY (client_id, import_id, dataset, row_key),
  KEY previous_import (client_id, previous_import),
  FOREIGN KEY (client_id, import_id) REFERENCES import (client_id, import_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

INSERT IGNORE INTO import_record (client_id, import_id, dataset, row_key, existed, written, previous, previous_import)
SELECT client_id, import_id, 'profile_day', CONCAT('[', profile_id, ',"', day, '"]'), existed, written,
       IF(existed, JSON_OBJECT('imported', previous_imported, 'changed_at', DATE_FORMAT(COALESCE(changed_at, NOW()), '%Y-%m-%dT%H:%i:%sZ'),
             'impressions', impressions,
             'views', views,
             'watch_seconds', watch_seconds,
             'completed_views', completed_views,
             'reactions', reactions,
             'comments', comments,
             'shares', shares,
             'saves', saves,
             'clicks', clicks,
             'posts', posts,
             'profile_visits', profile_visits,
             'searches', searches,
             'listing_views', listing_views,
             'directions', directions,
             'calls', calls,
             'new_followers', new_followers,
             'lost_followers', lost_followers,
             'followers', followers,
             'reach_1d', reach_1d,
             'reach_7d', reach_7d,
             'reach_28d', reach_28d,
             'visitors_1d', visitors_1d,
             'visitors_7d', visitors_7d,
             'visitors_28d', visitors_28d), NULL),
       previous_import
FROM   import_before;

ALTER TABLE import
  ADD COLUMN IF NOT EXISTS dataset VARCHAR(30) CHARACTER SET ascii NOT NULL DEFAULT 'profile_day' AFTER file_name;

-- Breakdowns, with short keys: a name is kept once for a client.
CREATE TABLE IF NOT EXISTS breakdown_part (
  client_id      INT UNSIGNED NOT NULL,
  part_id        INT UNSIGNED NOT NULL AUTO_INCREMENT UNIQUE,
  part           VARCHAR(80)  CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  PRIMARY KEY (client_id, part_id),
  UNIQUE KEY (client_id, part),
  FOREIGN KEY (client_id) REFERENCES client (client_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS profile_day_breakdown (
  client_id      INT UNSIGNED NOT NULL,
  profile_id     INT UNSIGNED NOT NULL,
  breakdown      SMALLINT UNSIGNED NOT NULL,
  day            DATE         NOT NULL,
  part_id        INT UNSIGNED NOT NULL,
  value          INT UNSIGNED NOT NULL,
  PRIMARY KEY (client_id, profile_id, breakdown, day, part_id),
  FOREIGN KEY (client_id, profile_id) REFERENCES profile (client_id, profile_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

INSERT IGNORE INTO breakdown_part (client_id, part)
SELECT DISTINCT client_id, part FROM profile_day_part;

INSERT IGNORE INTO profile_day_breakdown (client_id, profile_id, breakdown, day, part_id, value)
SELECT p.client_id, p.profile_id,
       FIELD(p.split,
             'impressions_by_source',
             'reach_by_source',
             'impressions_by_follower',
             'interactions_by_follower',
             'followers_by_origin',
             'visits_by_site',
             'reach_by_times',
             'views_by_progress',
             'followers_by_hour',
             'followers_by_age',
             'followers_by_country',
             'followers_by_company_size',
             'followers_by_seniority',
             'followers_by_function',
             'followers_by_industry',
             'searches_by_kind',
             'listing_views_by_surface',
             'calls_by_hour'),
       p.day, n.part_id, p.value
FROM   profile_day_part p
JOIN   breakdown_part n ON n.client_id = p.client_id AND n.part = p.part;

UPDATE report SET blocks = REPLACE(blocks, '"kind":"parts"', '"kind":"breakdown"') WHERE blocks LIKE '%"kind":"parts"%';

-- What a post had brought when it was looked at.
CREATE TABLE IF NOT EXISTS post_observation (
  client_id      INT UNSIGNED NOT NULL,
  profile_id     INT UNSIGNED NOT NULL,
  remote_id      VARCHAR(40)  CHARACTER SET ascii NOT NULL,
  observed_at    TIMESTAMP    NOT NULL,
  impressions    INT UNSIGNED NULL,
  reactions      INT UNSIGNED NULL,
  comments       INT UNSIGNED NULL,
  shares         INT UNSIGNED NULL,
  saves          INT UNSIGNED NULL,
  PRIMARY KEY (client_id, profile_id, remote_id, observed_at),
  KEY (observed_at),
  FOREIGN KEY (client_id, profile_id, remote_id) REFERENCES post (client_id, profile_id, remote_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

-- How a source is reached, and how far each of its streams has come.
CREATE TABLE IF NOT EXISTS connection (
  client_id      INT UNSIGNED NOT NULL,
  connection_id  INT UNSIGNED NOT NULL AUTO_INCREMENT UNIQUE,
  connector      VARCHAR(20)  CHARACTER SET ascii NOT NULL,
  profile_id     INT UNSIGNED NULL,
  address        VARCHAR(300) CHARACTER SET ascii NULL,
  credentials    VARBINARY(4000) NULL,
  PRIMARY KEY (client_id, connection_id),
  UNIQUE KEY (client_id, profile_id),
  FOREIGN KEY (client_id, profile_id) REFERENCES profile (client_id, profile_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS sync_cursor (
  client_id      INT UNSIGNED NOT NULL,
  connection_id  INT UNSIGNED NOT NULL,
  stream         VARCHAR(20)  CHARACTER SET ascii NOT NULL,
  through        DATE         NOT NULL,
  PRIMARY KEY (client_id, connection_id, stream),
  FOREIGN KEY (client_id, connection_id) REFERENCES connection (client_id, connection_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

INSERT IGNORE INTO connection (client_id, connector, profile_id, credentials)
SELECT client_id, network, profile_id, tokens FROM profile;

INSERT IGNORE INTO sync_cursor (client_id, connection_id, stream, through)
SELECT c.client_id, c.connection_id, 'figures', p.synced_to
FROM   connection c
JOIN   profile p ON p.client_id = c.client_id AND p.profile_id = c.profile_id
WHERE  p.synced_to IS NOT NULL;

INSERT IGNORE INTO sync_cursor (client_id, connection_id, stream, through)
SELECT c.client_id, c.connection_id, 'posts', p.posts_to
FROM   connection c
JOIN   profile p ON p.client_id = c.client_id AND p.profile_id = c.profile_id
WHERE  p.posts_to IS NOT NULL;

INSERT IGNORE INTO sync_cursor (client_id, connection_id, stream, through)
SELECT c.client_id, c.connection_id, 'breakdowns', p.parts_to
FROM   connection c
JOIN   profile p ON p.client_id = c.client_id AND p.profile_id = c.profile_id
WHERE  p.parts_to IS NOT NULL;

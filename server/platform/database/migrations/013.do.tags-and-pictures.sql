-- What posts show, and whether they were paid for, where their network says so.
ALTER TABLE post
  ADD COLUMN IF NOT EXISTS picture_url VARCHAR(500) NULL,
  ADD COLUMN IF NOT EXISTS alt VARCHAR(1000) NULL,
  ADD COLUMN IF NOT EXISTS paid_impressions INT UNSIGNED NULL,
  ADD COLUMN IF NOT EXISTS reach INT UNSIGNED NULL,
  ADD COLUMN IF NOT EXISTS clicks INT UNSIGNED NULL,
  ADD COLUMN IF NOT EXISTS views INT UNSIGNED NULL,
  ADD COLUMN IF NOT EXISTS watch_seconds INT UNSIGNED NULL,
  ADD COLUMN IF NOT EXISTS story_exits INT UNSIGNED NULL,
  ADD COLUMN IF NOT EXISTS story_nexts INT UNSIGNED NULL,
  ADD COLUMN IF NOT EXISTS story_backs INT UNSIGNED NULL,
  ADD COLUMN IF NOT EXISTS replies INT UNSIGNED NULL,
  ADD COLUMN IF NOT EXISTS peak_viewers INT UNSIGNED NULL;
ALTER TABLE post_observation
  ADD COLUMN IF NOT EXISTS paid_impressions INT UNSIGNED NULL,
  ADD COLUMN IF NOT EXISTS reach INT UNSIGNED NULL,
  ADD COLUMN IF NOT EXISTS clicks INT UNSIGNED NULL,
  ADD COLUMN IF NOT EXISTS views INT UNSIGNED NULL,
  ADD COLUMN IF NOT EXISTS watch_seconds INT UNSIGNED NULL,
  ADD COLUMN IF NOT EXISTS story_exits INT UNSIGNED NULL,
  ADD COLUMN IF NOT EXISTS story_nexts INT UNSIGNED NULL,
  ADD COLUMN IF NOT EXISTS story_backs INT UNSIGNED NULL,
  ADD COLUMN IF NOT EXISTS replies INT UNSIGNED NULL,
  ADD COLUMN IF NOT EXISTS peak_viewers INT UNSIGNED NULL;

CREATE TABLE IF NOT EXISTS post_picture (
  client_id  INT UNSIGNED NOT NULL,
  profile_id INT UNSIGNED NOT NULL,
  remote_id  VARCHAR(40) CHARACTER SET ascii NOT NULL,
  type       VARCHAR(40) NOT NULL,
  bytes      MEDIUMBLOB NOT NULL,
  PRIMARY KEY (client_id, profile_id, remote_id),
  FOREIGN KEY (client_id, profile_id, remote_id) REFERENCES post (client_id, profile_id, remote_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

-- Tags, the rules that set them, and which post has which, by hand (rule 0) or by which rule. A name is free again once
-- its tag was removed.
CREATE TABLE IF NOT EXISTS tag (
  client_id  INT UNSIGNED NOT NULL,
  tag_id     INT UNSIGNED NOT NULL AUTO_INCREMENT,
  name       VARCHAR(40) NOT NULL,
  live_name  VARCHAR(40) NULL,
  colour     TINYINT UNSIGNED NOT NULL,
  created_by INT UNSIGNED NULL,
  created_at TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP,
  removed_at TIMESTAMP NULL,
  PRIMARY KEY (client_id, tag_id),
  UNIQUE KEY (tag_id),
  UNIQUE KEY (client_id, live_name),
  FOREIGN KEY (client_id) REFERENCES client (client_id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS tag_rule (
  client_id  INT UNSIGNED NOT NULL,
  rule_id    INT UNSIGNED NOT NULL AUTO_INCREMENT,
  tag_id     INT UNSIGNED NOT NULL,
  any_words  VARCHAR(1000) NOT NULL DEFAULT '',
  all_words  VARCHAR(1000) NOT NULL DEFAULT '',
  none_words VARCHAR(1000) NOT NULL DEFAULT '',
  hashtags   VARCHAR(1000) NOT NULL DEFAULT '',
  formats    VARCHAR(400) NOT NULL DEFAULT '',
  who        VARCHAR(4000) NOT NULL DEFAULT 'all',
  from_day   DATE NULL,
  to_day     DATE NULL,
  is_on      TINYINT UNSIGNED NOT NULL DEFAULT 1,
  created_by INT UNSIGNED NULL,
  created_at TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP,
  removed_at TIMESTAMP NULL,
  PRIMARY KEY (client_id, rule_id),
  UNIQUE KEY (rule_id),
  KEY (client_id, tag_id),
  FOREIGN KEY (client_id, tag_id) REFERENCES tag (client_id, tag_id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS post_tag (
  client_id  INT UNSIGNED NOT NULL,
  profile_id INT UNSIGNED NOT NULL,
  remote_id  VARCHAR(40) CHARACTER SET ascii NOT NULL,
  tag_id     INT UNSIGNED NOT NULL,
  rule_id    INT UNSIGNED NOT NULL DEFAULT 0,
  tagged_by  INT UNSIGNED NULL,
  tagged_at  TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP,
  PRIMARY KEY (client_id, profile_id, remote_id, tag_id, rule_id),
  KEY (client_id, tag_id),
  KEY (client_id, rule_id),
  FOREIGN KEY (client_id, profile_id, remote_id) REFERENCES post (client_id, profile_id, remote_id) ON DELETE CASCADE,
  FOREIGN KEY (client_id, tag_id) REFERENCES tag (client_id, tag_id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

-- Whom a client wants to reach, as it was written down last; empty where nothing was.
ALTER TABLE client ADD COLUMN IF NOT EXISTS intended_audience VARCHAR(2000) NOT NULL DEFAULT '';

-- Where a client is: the master record of each place, and the listing that stands for it.
CREATE TABLE IF NOT EXISTS place (
  client_id   INT UNSIGNED NOT NULL,
  place_id    INT UNSIGNED NOT NULL AUTO_INCREMENT,
  name        VARCHAR(120) NOT NULL,
  categories  LONGTEXT NOT NULL,
  street      VARCHAR(120) NOT NULL DEFAULT '',
  town        VARCHAR(80) NOT NULL DEFAULT '',
  postcode    VARCHAR(16) NOT NULL DEFAULT '',
  country     CHAR(2) CHARACTER SET ascii NOT NULL DEFAULT '',
  lat         DOUBLE NULL,
  lon         DOUBLE NULL,
  phone       VARCHAR(16) CHARACTER SET ascii NOT NULL DEFAULT '',
  web         VARCHAR(300) NOT NULL DEFAULT '',
  hours       VARCHAR(1000) NOT NULL DEFAULT '',
  attributes  LONGTEXT NOT NULL,
  description VARCHAR(1000) NOT NULL DEFAULT '',
  profile_id  INT UNSIGNED NULL,
  is_active   TINYINT UNSIGNED NOT NULL DEFAULT 1,
  created_at  TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP,
  changed_at  TIMESTAMP NULL,
  removed_at  TIMESTAMP NULL,
  PRIMARY KEY (client_id, place_id),
  UNIQUE KEY (place_id),
  KEY (client_id, profile_id),
  FOREIGN KEY (client_id) REFERENCES client (client_id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

-- What people have written about listings, and how that was answered.
CREATE TABLE IF NOT EXISTS review (
  client_id   INT UNSIGNED NOT NULL,
  profile_id  INT UNSIGNED NOT NULL,
  remote_id   VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  written_at  TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP,
  day         DATE NOT NULL,
  author      VARCHAR(120) NOT NULL DEFAULT '',
  language    VARCHAR(12) CHARACTER SET ascii NOT NULL DEFAULT 'en',
  text        VARCHAR(4000) NOT NULL DEFAULT '',
  answered_at TIMESTAMP NULL,
  answer      VARCHAR(4000) NULL,
  stars       TINYINT UNSIGNED NULL,
  import_id   INT UNSIGNED NULL,
  imported    BIGINT UNSIGNED NOT NULL DEFAULT 0,
  changed_at  TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP,
  PRIMARY KEY (client_id, profile_id, remote_id),
  KEY (client_id, day, profile_id),
  FOREIGN KEY (client_id, profile_id) REFERENCES profile (client_id, profile_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

-- What somebody says a review is about and how it sounds, where its words are misread.
CREATE TABLE IF NOT EXISTS review_reading (
  client_id  INT UNSIGNED NOT NULL,
  profile_id INT UNSIGNED NOT NULL,
  remote_id  VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  mood       VARCHAR(8) CHARACTER SET ascii NOT NULL,
  subjects   VARCHAR(120) CHARACTER SET ascii NOT NULL DEFAULT '',
  read_by    INT UNSIGNED NULL,
  read_at    TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP,
  PRIMARY KEY (client_id, profile_id, remote_id),
  FOREIGN KEY (client_id, profile_id, remote_id) REFERENCES review (client_id, profile_id, remote_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

-- Answers that are written here, until the network has taken them.
CREATE TABLE IF NOT EXISTS review_reply (
  client_id   INT UNSIGNED NOT NULL,
  profile_id  INT UNSIGNED NOT NULL,
  remote_id   VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  text        VARCHAR(4000) NOT NULL,
  state       VARCHAR(8) CHARACTER SET ascii NOT NULL,
  refusal     VARCHAR(400) NOT NULL DEFAULT '',
  written_by  INT UNSIGNED NULL,
  approved_by INT UNSIGNED NULL,
  changed_at  TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP,
  sent_at     TIMESTAMP NULL,
  PRIMARY KEY (client_id, profile_id, remote_id),
  FOREIGN KEY (client_id, profile_id, remote_id) REFERENCES review (client_id, profile_id, remote_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

CREATE TABLE IF NOT EXISTS reply_template (
  client_id   INT UNSIGNED NOT NULL,
  template_id INT UNSIGNED NOT NULL AUTO_INCREMENT,
  name        VARCHAR(80) NOT NULL,
  variants    LONGTEXT NOT NULL,
  created_at  TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP,
  removed_at  TIMESTAMP NULL,
  PRIMARY KEY (client_id, template_id),
  UNIQUE KEY (template_id),
  FOREIGN KEY (client_id) REFERENCES client (client_id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_ci;

-- Within how many hours a client wants its reviews answered.
ALTER TABLE client ADD COLUMN IF NOT EXISTS answer_hours SMALLINT UNSIGNED NOT NULL DEFAULT 48;

-- What else is done from a listing.
ALTER TABLE profile_day
  ADD COLUMN IF NOT EXISTS messages INT UNSIGNED NULL AFTER speakers_28d,
  ADD COLUMN IF NOT EXISTS bookings INT UNSIGNED NULL AFTER messages,
  ADD COLUMN IF NOT EXISTS picture_views INT UNSIGNED NULL AFTER bookings,
  ADD COLUMN IF NOT EXISTS site_clicks INT UNSIGNED NULL AFTER picture_views;

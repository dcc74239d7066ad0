CREATE TABLE `calendar_feeds` (
	`user_id` text PRIMARY KEY NOT NULL,
	`token_hash` text NOT NULL,
	`alarm_minutes` integer,
	`created_at` integer NOT NULL,
	FOREIGN KEY (`user_id`) REFERENCES `users`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `calendar_feeds_by_token` ON `calendar_feeds` (`token_hash`);--> statement-breakpoint
CREATE TABLE `external_ids` (
	`school_id` text NOT NULL,
	`external_id` text NOT NULL,
	`kind` text NOT NULL,
	`user_id` text,
	`class_id` text,
	PRIMARY KEY(`school_id`, `kind`, `external_id`),
	FOREIGN KEY (`school_id`) REFERENCES `schools`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`user_id`) REFERENCES `users`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`class_id`) REFERENCES `classes`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `invitations` (
	`id` text PRIMARY KEY NOT NULL,
	`school_id` text NOT NULL,
	`token_hash` text NOT NULL,
	`display_name` text NOT NULL,
	`email` text NOT NULL,
	`is_admin` integer DEFAULT false NOT NULL,
	`created_by` text NOT NULL,
	`created_at` integer NOT NULL,
	`expires_at` integer NOT NULL,
	`used_by` text,
	`used_at` integer,
	FOREIGN KEY (`school_id`) REFERENCES `schools`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`created_by`) REFERENCES `users`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`used_by`) REFERENCES `users`(`id`) ON UPDATE no action ON DELETE set null
);
--> statement-breakpoint
CREATE UNIQUE INDEX `invitations_by_token` ON `invitations` (`token_hash`);--> statement-breakpoint
CREATE TABLE `join_requests` (
	`class_id` text NOT NULL,
	`student_id` text NOT NULL,
	`at` integer NOT NULL,
	PRIMARY KEY(`class_id`, `student_id`),
	FOREIGN KEY (`class_id`) REFERENCES `classes`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`student_id`) REFERENCES `users`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `join_requests_by_student` ON `join_requests` (`student_id`);--> statement-breakpoint
CREATE TABLE `sign_in_cards` (
	`user_id` text PRIMARY KEY NOT NULL,
	`token_hash` text NOT NULL,
	`words_hash` text NOT NULL,
	`created_at` integer NOT NULL,
	FOREIGN KEY (`user_id`) REFERENCES `users`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `sign_in_cards_by_token` ON `sign_in_cards` (`token_hash`);--> statement-breakpoint
CREATE INDEX `sign_in_cards_by_words` ON `sign_in_cards` (`words_hash`);--> statement-breakpoint
CREATE TABLE `term_presets` (
	`id` text PRIMARY KEY NOT NULL,
	`owner_id` text NOT NULL,
	`name` text NOT NULL,
	`terms` text NOT NULL,
	`created_at` integer NOT NULL,
	FOREIGN KEY (`owner_id`) REFERENCES `users`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `term_presets_by_owner` ON `term_presets` (`owner_id`);--> statement-breakpoint
ALTER TABLE `assignments` ADD `note` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `assignments` ADD `taken_back_at` integer;--> statement-breakpoint
CREATE INDEX `assignments_by_edition` ON `assignments` (`edition_id`);--> statement-breakpoint
ALTER TABLE `classes` ADD `shape` text DEFAULT 'tile' NOT NULL;--> statement-breakpoint
ALTER TABLE `classes` ADD `colour` text DEFAULT 'aubergine' NOT NULL;--> statement-breakpoint
ALTER TABLE `classes` ADD `join_code` text;--> statement-breakpoint
ALTER TABLE `classes` ADD `joining` text DEFAULT 'off' NOT NULL;--> statement-breakpoint
ALTER TABLE `classes` ADD `roster_version` integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `classes` ADD `archived_at` integer;--> statement-breakpoint
CREATE UNIQUE INDEX `classes_by_join_code` ON `classes` (`join_code`);--> statement-breakpoint
ALTER TABLE `lessons` ADD `removed_at` integer;--> statement-breakpoint
ALTER TABLE `schools` ADD `time_zone` text DEFAULT 'UTC' NOT NULL;--> statement-breakpoint
ALTER TABLE `schools` ADD `locale` text DEFAULT 'en' NOT NULL;--> statement-breakpoint
ALTER TABLE `schools` ADD `teacher_code` text;--> statement-breakpoint
ALTER TABLE `schools` ADD `card_salt` text;--> statement-breakpoint
CREATE UNIQUE INDEX `schools_by_teacher_code` ON `schools` (`teacher_code`);--> statement-breakpoint
ALTER TABLE `users` ADD `first_steps_put_away_at` integer;--> statement-breakpoint
UPDATE `schools` SET `time_zone` = coalesce((SELECT c.`time_zone` FROM `classes` c WHERE c.`school_id` = `schools`.`id` ORDER BY c.`rowid` LIMIT 1), 'UTC');--> statement-breakpoint
UPDATE `schools` SET `locale` = coalesce((SELECT c.`locale` FROM `classes` c WHERE c.`school_id` = `schools`.`id` ORDER BY c.`rowid` LIMIT 1), 'en');--> statement-breakpoint
UPDATE `classes` SET
  `shape` = CASE (`rowid` - 1) % 6 WHEN 0 THEN 'tile' WHEN 1 THEN 'arch' WHEN 2 THEN 'pennant' WHEN 3 THEN 'hexagon' WHEN 4 THEN 'leaf' ELSE 'shield' END,
  `colour` = CASE (`rowid` - 1) % 6 WHEN 0 THEN 'aubergine' WHEN 1 THEN 'marigold' WHEN 2 THEN 'spruce' WHEN 3 THEN 'slate' WHEN 4 THEN 'brick' ELSE 'ink' END;--> statement-breakpoint
UPDATE `users` SET `first_steps_put_away_at` = `created_at`;

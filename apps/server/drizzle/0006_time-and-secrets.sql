CREATE TABLE `known_devices` (
	`token_hash` text NOT NULL,
	`user_id` text NOT NULL,
	`used_at` integer NOT NULL,
	PRIMARY KEY(`token_hash`, `user_id`),
	FOREIGN KEY (`user_id`) REFERENCES `users`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `lesson_saves` (
	`lesson_id` text NOT NULL,
	`save_id` text NOT NULL,
	`version` integer NOT NULL,
	PRIMARY KEY(`lesson_id`, `save_id`),
	FOREIGN KEY (`lesson_id`) REFERENCES `lessons`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `security_events` (
	`id` text PRIMARY KEY NOT NULL,
	`at` integer NOT NULL,
	`kind` text NOT NULL,
	`user_id` text,
	`detail` text,
	FOREIGN KEY (`user_id`) REFERENCES `users`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `security_events_by_time` ON `security_events` (`at`);--> statement-breakpoint
CREATE TABLE `window_changes` (
	`assignment_id` text NOT NULL,
	`at` integer NOT NULL,
	`opens_at` integer,
	`due_at` integer,
	`closes_at` integer,
	FOREIGN KEY (`assignment_id`) REFERENCES `assignments`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `window_changes_by_assignment` ON `window_changes` (`assignment_id`,`at`);--> statement-breakpoint
ALTER TABLE `attempt_events` ADD `draft_of` text;--> statement-breakpoint
ALTER TABLE `attempt_events` ADD `merged` text;--> statement-breakpoint
CREATE UNIQUE INDEX `attempt_events_draft` ON `attempt_events` (`attempt_id`,`draft_of`) WHERE draft_of is not null;--> statement-breakpoint
ALTER TABLE `attempts` ADD `secret` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `attempts` ADD `drawn_by_time` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `attempts` ADD `reducer` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `materials` ADD `removed_at` integer;--> statement-breakpoint
ALTER TABLE `sessions` ADD `used_at` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
UPDATE `attempts` SET `secret` = lower(hex(randomblob(16))), `drawn_by_time` = 1;--> statement-breakpoint
UPDATE `sessions` SET `used_at` = `created_at`;--> statement-breakpoint
INSERT INTO `window_changes` (`assignment_id`, `at`, `opens_at`, `due_at`, `closes_at`) SELECT `id`, CAST(unixepoch('subsec') * 1000 AS INTEGER), `opens_at`, `due_at`, `closes_at` FROM `assignments`;

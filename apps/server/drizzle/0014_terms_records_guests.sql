CREATE TABLE `erased_work` (
	`assignment_id` text PRIMARY KEY NOT NULL,
	`begun` integer NOT NULL,
	`handed_in` integer NOT NULL,
	`earned` integer NOT NULL,
	`possible` integer NOT NULL,
	FOREIGN KEY (`assignment_id`) REFERENCES `assignments`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `guest_links` (
	`assignment_id` text PRIMARY KEY NOT NULL,
	`addressee_id` text NOT NULL,
	`token` text NOT NULL,
	`is_open` integer NOT NULL,
	FOREIGN KEY (`assignment_id`) REFERENCES `assignments`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`addressee_id`) REFERENCES `addressees`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `guest_links_by_token` ON `guest_links` (`token`);--> statement-breakpoint
CREATE TABLE `mails` (
	`id` text PRIMARY KEY NOT NULL,
	`user_id` text NOT NULL,
	`address` text NOT NULL,
	`subject` text NOT NULL,
	`text` text NOT NULL,
	`stop_url` text,
	`created_at` integer NOT NULL,
	`taken_at` integer,
	`sent_at` integer,
	`error` text,
	FOREIGN KEY (`user_id`) REFERENCES `users`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `mails_waiting` ON `mails` (`created_at`) WHERE taken_at is null;--> statement-breakpoint
CREATE TABLE `notice_settings` (
	`user_id` text PRIMARY KEY NOT NULL,
	`mail` text DEFAULT 'none' NOT NULL,
	`address` text,
	`confirmed_at` integer,
	`confirm_hash` text,
	`stop_token` text NOT NULL,
	`last_mail_at` integer,
	FOREIGN KEY (`user_id`) REFERENCES `users`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `notice_settings_by_stop` ON `notice_settings` (`stop_token`);--> statement-breakpoint
CREATE INDEX `notice_settings_by_confirm` ON `notice_settings` (`confirm_hash`);--> statement-breakpoint
CREATE TABLE `notices` (
	`id` text PRIMARY KEY NOT NULL,
	`user_id` text NOT NULL,
	`kind` text NOT NULL,
	`key` text NOT NULL,
	`assignment_id` text NOT NULL,
	`about` integer,
	`created_at` integer NOT NULL,
	`read_at` integer,
	`mailed_at` integer,
	FOREIGN KEY (`user_id`) REFERENCES `users`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`assignment_id`) REFERENCES `assignments`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `notices_once` ON `notices` (`user_id`,`key`);--> statement-breakpoint
CREATE INDEX `notices_by_user` ON `notices` (`user_id`,`created_at`);--> statement-breakpoint
CREATE INDEX `notices_to_mail` ON `notices` (`created_at`) WHERE mailed_at is null;--> statement-breakpoint
CREATE TABLE `practice_links` (
	`lesson_id` text PRIMARY KEY NOT NULL,
	`token` text NOT NULL,
	`is_open` integer NOT NULL,
	`frames` text NOT NULL,
	`secret` text NOT NULL,
	FOREIGN KEY (`lesson_id`) REFERENCES `lessons`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `practice_links_by_token` ON `practice_links` (`token`);--> statement-breakpoint
CREATE TABLE `school_days` (
	`id` text PRIMARY KEY NOT NULL,
	`school_id` text NOT NULL,
	`kind` text NOT NULL,
	`title` text NOT NULL,
	`first_day` text NOT NULL,
	`last_day` text NOT NULL,
	FOREIGN KEY (`school_id`) REFERENCES `schools`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `school_days_by_school` ON `school_days` (`school_id`,`first_day`);--> statement-breakpoint
CREATE TABLE `series` (
	`id` text PRIMARY KEY NOT NULL,
	`school_id` text NOT NULL,
	`created_by` text NOT NULL,
	`title` text NOT NULL,
	`created_at` integer NOT NULL,
	FOREIGN KEY (`school_id`) REFERENCES `schools`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`created_by`) REFERENCES `users`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
ALTER TABLE `assignments` ADD `series_id` text REFERENCES series(id) ON DELETE set null;--> statement-breakpoint
ALTER TABLE `assignments` ADD `series_place` integer;--> statement-breakpoint
ALTER TABLE `assignments` ADD `after_percent` integer;--> statement-breakpoint
ALTER TABLE `assignments` ADD `released_at` integer;--> statement-breakpoint
CREATE INDEX `assignments_by_series` ON `assignments` (`series_id`);--> statement-breakpoint
ALTER TABLE `classes` ADD `meetings` text;--> statement-breakpoint
ALTER TABLE `classes` ADD `removed_at` integer;--> statement-breakpoint
ALTER TABLE `schools` ADD `kept_months` integer;--> statement-breakpoint
ALTER TABLE `schools` ADD `quiet_from` text DEFAULT '20:00' NOT NULL;--> statement-breakpoint
ALTER TABLE `schools` ADD `quiet_until` text DEFAULT '07:00' NOT NULL;--> statement-breakpoint
ALTER TABLE `security_events` ADD `by_id` text REFERENCES users(id) ON DELETE set null;--> statement-breakpoint
ALTER TABLE `users` ADD `is_guest` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `users` ADD `deactivated_at` integer;--> statement-breakpoint
CREATE INDEX `attempts_by_hand_in` ON `attempts` (`handed_in_at`);--> statement-breakpoint
CREATE INDEX `recipients_by_time` ON `recipients` (`since`);
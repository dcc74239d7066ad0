CREATE TABLE `answer_files` (
	`id` text PRIMARY KEY NOT NULL,
	`attempt_id` text NOT NULL,
	`name` text NOT NULL,
	`mime_type` text NOT NULL,
	`byte_length` integer NOT NULL,
	`sha256` text NOT NULL,
	`created_at` integer NOT NULL,
	FOREIGN KEY (`attempt_id`) REFERENCES `attempts`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `answer_files_by_attempt` ON `answer_files` (`attempt_id`);--> statement-breakpoint
CREATE INDEX `answer_files_by_file` ON `answer_files` (`sha256`);--> statement-breakpoint
CREATE TABLE `phrases` (
	`id` text PRIMARY KEY NOT NULL,
	`owner_id` text NOT NULL,
	`text` text NOT NULL,
	`created_at` integer NOT NULL,
	FOREIGN KEY (`owner_id`) REFERENCES `users`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `phrases_by_owner` ON `phrases` (`owner_id`);--> statement-breakpoint
ALTER TABLE `class_students` ADD `extra_time` real DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `classes` ADD `locale` text DEFAULT 'en' NOT NULL;
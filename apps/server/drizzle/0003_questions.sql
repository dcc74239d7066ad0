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
CREATE TABLE `hidden_posts` (
	`assignment_id` text NOT NULL,
	`question_id` text NOT NULL,
	`student_id` text NOT NULL,
	PRIMARY KEY(`assignment_id`, `question_id`, `student_id`),
	FOREIGN KEY (`assignment_id`) REFERENCES `assignments`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`student_id`) REFERENCES `users`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `key_changes` (
	`id` text PRIMARY KEY NOT NULL,
	`assignment_id` text NOT NULL,
	`question` text NOT NULL,
	`at` integer NOT NULL,
	`by` text NOT NULL,
	FOREIGN KEY (`assignment_id`) REFERENCES `assignments`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`by`) REFERENCES `users`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `key_changes_by_assignment` ON `key_changes` (`assignment_id`,`at`);--> statement-breakpoint
CREATE TABLE `phrases` (
	`id` text PRIMARY KEY NOT NULL,
	`owner_id` text NOT NULL,
	`text` text NOT NULL,
	`created_at` integer NOT NULL,
	FOREIGN KEY (`owner_id`) REFERENCES `users`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `phrases_by_owner` ON `phrases` (`owner_id`);--> statement-breakpoint
CREATE TABLE `rubrics` (
	`id` text PRIMARY KEY NOT NULL,
	`owner_id` text NOT NULL,
	`title` text NOT NULL,
	`content` text NOT NULL,
	`created_at` integer NOT NULL,
	FOREIGN KEY (`owner_id`) REFERENCES `users`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `rubrics_by_owner` ON `rubrics` (`owner_id`);--> statement-breakpoint
CREATE TABLE `thread_replies` (
	`id` text PRIMARY KEY NOT NULL,
	`assignment_id` text NOT NULL,
	`question_id` text NOT NULL,
	`to_student_id` text NOT NULL,
	`author_id` text NOT NULL,
	`text` text NOT NULL,
	`created_at` integer NOT NULL,
	`hidden_at` integer,
	FOREIGN KEY (`assignment_id`) REFERENCES `assignments`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`to_student_id`) REFERENCES `users`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`author_id`) REFERENCES `users`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `thread_replies_by_question` ON `thread_replies` (`assignment_id`,`question_id`);--> statement-breakpoint
ALTER TABLE `class_students` ADD `extra_time` real DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `classes` ADD `locale` text DEFAULT 'en' NOT NULL;
CREATE TABLE `class_reviews` (
	`class_id` text PRIMARY KEY NOT NULL,
	`is_on` integer NOT NULL,
	`max_questions` integer NOT NULL,
	`uses_bank` integer NOT NULL,
	`counts` integer NOT NULL,
	FOREIGN KEY (`class_id`) REFERENCES `classes`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `review_answers` (
	`round_id` text NOT NULL,
	`question_id` text NOT NULL,
	`target_key` text NOT NULL,
	`source` text NOT NULL,
	`words` text NOT NULL,
	`after_days` integer NOT NULL,
	`possible` integer NOT NULL,
	`earned` integer,
	`answered_at` integer,
	PRIMARY KEY(`round_id`, `question_id`, `target_key`),
	FOREIGN KEY (`round_id`) REFERENCES `review_rounds`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `review_events` (
	`round_id` text NOT NULL,
	`seq` integer NOT NULL,
	`id` text NOT NULL,
	`sitting_id` text NOT NULL,
	`n` integer NOT NULL,
	`at` integer NOT NULL,
	`received_at` integer NOT NULL,
	`body` text NOT NULL,
	PRIMARY KEY(`round_id`, `seq`),
	FOREIGN KEY (`round_id`) REFERENCES `review_rounds`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `review_events_once` ON `review_events` (`round_id`,`sitting_id`,`n`);--> statement-breakpoint
CREATE TABLE `review_rounds` (
	`id` text PRIMARY KEY NOT NULL,
	`class_id` text NOT NULL,
	`student_id` text NOT NULL,
	`day` text NOT NULL,
	`secret` text NOT NULL,
	`lesson` text NOT NULL,
	`begun_at` integer NOT NULL,
	FOREIGN KEY (`class_id`) REFERENCES `classes`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`student_id`) REFERENCES `users`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `review_rounds_by_day` ON `review_rounds` (`class_id`,`student_id`,`day`);--> statement-breakpoint
CREATE INDEX `review_rounds_by_student` ON `review_rounds` (`student_id`);--> statement-breakpoint
CREATE TABLE `reviews_left_out` (
	`class_id` text NOT NULL,
	`source` text NOT NULL,
	PRIMARY KEY(`class_id`, `source`),
	FOREIGN KEY (`class_id`) REFERENCES `classes`(`id`) ON UPDATE no action ON DELETE cascade
);

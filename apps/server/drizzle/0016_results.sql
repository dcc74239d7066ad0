CREATE TABLE `answer_talk` (
	`id` text PRIMARY KEY NOT NULL,
	`assignment_id` text NOT NULL,
	`student_id` text NOT NULL,
	`question_id` text NOT NULL,
	`author_id` text NOT NULL,
	`text` text NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`assignment_id`) REFERENCES `assignments`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`student_id`) REFERENCES `users`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`author_id`) REFERENCES `users`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `answer_talk_by_answer` ON `answer_talk` (`assignment_id`,`student_id`,`question_id`,`at`);--> statement-breakpoint
CREATE INDEX `answer_talk_by_student` ON `answer_talk` (`student_id`);--> statement-breakpoint
CREATE INDEX `answer_talk_by_author` ON `answer_talk` (`author_id`);--> statement-breakpoint
CREATE TABLE `feedback_seen` (
	`assignment_id` text NOT NULL,
	`student_id` text NOT NULL,
	`question_id` text NOT NULL,
	`mark` text NOT NULL,
	PRIMARY KEY(`assignment_id`, `student_id`, `question_id`),
	FOREIGN KEY (`assignment_id`) REFERENCES `assignments`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`student_id`) REFERENCES `users`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `feedback_seen_by_student` ON `feedback_seen` (`student_id`);--> statement-breakpoint
CREATE TABLE `grade_overrides` (
	`id` text PRIMARY KEY NOT NULL,
	`assignment_id` text NOT NULL,
	`student_id` text NOT NULL,
	`earned` integer,
	`reason` text NOT NULL,
	`by` text NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`assignment_id`) REFERENCES `assignments`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`student_id`) REFERENCES `users`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`by`) REFERENCES `users`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `grade_overrides_by_assignment` ON `grade_overrides` (`assignment_id`,`student_id`,`at`);--> statement-breakpoint
CREATE INDEX `grade_overrides_by_student` ON `grade_overrides` (`student_id`);--> statement-breakpoint
CREATE TABLE `gradebook_rules` (
	`class_id` text PRIMARY KEY NOT NULL,
	`rules` text NOT NULL,
	`version` integer NOT NULL,
	FOREIGN KEY (`class_id`) REFERENCES `classes`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `kept_gradebook_lines` (
	`kept_id` text NOT NULL,
	`student_id` text NOT NULL,
	`has_left` integer NOT NULL,
	`cells` text NOT NULL,
	PRIMARY KEY(`kept_id`, `student_id`),
	FOREIGN KEY (`kept_id`) REFERENCES `kept_gradebooks`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`student_id`) REFERENCES `users`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `kept_gradebook_lines_by_student` ON `kept_gradebook_lines` (`student_id`);--> statement-breakpoint
CREATE TABLE `kept_gradebooks` (
	`id` text PRIMARY KEY NOT NULL,
	`class_id` text NOT NULL,
	`note` text NOT NULL,
	`frame` text NOT NULL,
	`by` text NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`class_id`) REFERENCES `classes`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`by`) REFERENCES `users`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `kept_gradebooks_by_class` ON `kept_gradebooks` (`class_id`,`at`);--> statement-breakpoint
CREATE TABLE `learning_targets` (
	`id` text PRIMARY KEY NOT NULL,
	`school_id` text NOT NULL,
	`owner_id` text NOT NULL,
	`code` text NOT NULL,
	`code_key` text NOT NULL,
	`words` text NOT NULL,
	`parent_code` text,
	`place` integer NOT NULL,
	FOREIGN KEY (`school_id`) REFERENCES `schools`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`owner_id`) REFERENCES `users`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `learning_targets_by_code` ON `learning_targets` (`school_id`,`code_key`);--> statement-breakpoint
CREATE INDEX `learning_targets_by_owner` ON `learning_targets` (`owner_id`);--> statement-breakpoint
CREATE TABLE `look_backs` (
	`assignment_id` text PRIMARY KEY NOT NULL,
	`content` text NOT NULL,
	FOREIGN KEY (`assignment_id`) REFERENCES `assignments`(`id`) ON UPDATE no action ON DELETE cascade
);

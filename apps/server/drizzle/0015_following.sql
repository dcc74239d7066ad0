CREATE TABLE `part_watching` (
	`attempt_id` text NOT NULL,
	`part_id` text NOT NULL,
	`line` text NOT NULL,
	PRIMARY KEY(`attempt_id`, `part_id`),
	FOREIGN KEY (`attempt_id`) REFERENCES `attempts`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
ALTER TABLE `question_results` ADD `first_points` integer;--> statement-breakpoint
ALTER TABLE `question_results` ADD `picked` text;
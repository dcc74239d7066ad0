CREATE TABLE `question_results` (
	`attempt_id` text NOT NULL,
	`stop_id` text NOT NULL,
	`question_id` text NOT NULL,
	`points` integer,
	`possible` integer NOT NULL,
	`tries` integer NOT NULL,
	`hinted` integer NOT NULL,
	`stop_spent_ms` integer,
	`confidence` integer,
	PRIMARY KEY(`attempt_id`, `stop_id`, `question_id`),
	FOREIGN KEY (`attempt_id`) REFERENCES `attempts`(`id`) ON UPDATE no action ON DELETE cascade
);

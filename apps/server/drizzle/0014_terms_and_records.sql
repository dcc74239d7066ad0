CREATE TABLE `erased_work` (
	`assignment_id` text PRIMARY KEY NOT NULL,
	`begun` integer NOT NULL,
	`handed_in` integer NOT NULL,
	`earned` integer NOT NULL,
	`possible` integer NOT NULL,
	FOREIGN KEY (`assignment_id`) REFERENCES `assignments`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
ALTER TABLE `assignments` ADD `released_at` integer;--> statement-breakpoint
ALTER TABLE `classes` ADD `removed_at` integer;--> statement-breakpoint
ALTER TABLE `schools` ADD `kept_months` integer;--> statement-breakpoint
ALTER TABLE `security_events` ADD `by_id` text REFERENCES users(id) ON DELETE set null;--> statement-breakpoint
ALTER TABLE `users` ADD `deactivated_at` integer;
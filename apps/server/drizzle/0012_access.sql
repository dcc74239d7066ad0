CREATE TABLE `substitutions` (
	`id` text PRIMARY KEY NOT NULL,
	`class_id` text NOT NULL,
	`teacher_id` text NOT NULL,
	`since` integer NOT NULL,
	`until` integer NOT NULL,
	FOREIGN KEY (`class_id`) REFERENCES `classes`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`teacher_id`) REFERENCES `users`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `substitutions_by_teacher` ON `substitutions` (`teacher_id`);--> statement-breakpoint
CREATE INDEX `substitutions_by_class` ON `substitutions` (`class_id`);--> statement-breakpoint
CREATE TABLE `user_roles` (
	`user_id` text NOT NULL,
	`role` text NOT NULL,
	PRIMARY KEY(`user_id`, `role`),
	FOREIGN KEY (`user_id`) REFERENCES `users`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
DROP INDEX `users_email_unique`;--> statement-breakpoint
DROP INDEX `users_userName_unique`;--> statement-breakpoint
CREATE UNIQUE INDEX `users_by_email` ON `users` (`school_id`,`email`);--> statement-breakpoint
CREATE UNIQUE INDEX `users_by_user_name` ON `users` (`school_id`,`user_name`);--> statement-breakpoint
CREATE INDEX `users_by_any_email` ON `users` (`email`);--> statement-breakpoint
CREATE INDEX `users_by_any_user_name` ON `users` (`user_name`);--> statement-breakpoint
INSERT INTO `user_roles`("user_id", "role") SELECT "id", "role" FROM `users`;--> statement-breakpoint
ALTER TABLE `users` DROP COLUMN `role`;--> statement-breakpoint
CREATE TABLE `__new_jobs` (
	`id` text PRIMARY KEY NOT NULL,
	`kind` text NOT NULL,
	`subject_id` text NOT NULL,
	`status` text NOT NULL,
	`tries` integer NOT NULL,
	`created_at` integer NOT NULL,
	`finished_at` integer,
	FOREIGN KEY (`subject_id`) REFERENCES `materials`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
INSERT INTO `__new_jobs`("id", "kind", "subject_id", "status", "tries", "created_at", "finished_at") SELECT "id", "kind", "subject_id", "status", "tries", "created_at", "finished_at" FROM `jobs` WHERE "subject_id" IN (SELECT "id" FROM `materials`);--> statement-breakpoint
DROP TABLE `jobs`;--> statement-breakpoint
ALTER TABLE `__new_jobs` RENAME TO `jobs`;--> statement-breakpoint
CREATE INDEX `jobs_by_status` ON `jobs` (`status`,`created_at`);
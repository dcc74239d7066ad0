CREATE TABLE `addressee_windows` (
	`addressee_id` text NOT NULL,
	`at` integer NOT NULL,
	`opens_at` integer,
	`due_at` integer,
	`closes_at` integer,
	FOREIGN KEY (`addressee_id`) REFERENCES `addressees`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `addressee_windows_by_addressee` ON `addressee_windows` (`addressee_id`,`at`);--> statement-breakpoint
CREATE TABLE `addressees` (
	`id` text PRIMARY KEY NOT NULL,
	`assignment_id` text NOT NULL,
	`kind` text NOT NULL,
	`class_id` text NOT NULL,
	`group_id` text,
	`student_id` text,
	`created_at` integer NOT NULL,
	FOREIGN KEY (`assignment_id`) REFERENCES `assignments`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`class_id`) REFERENCES `classes`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`group_id`) REFERENCES `groups`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`student_id`) REFERENCES `users`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `addressees_by_assignment` ON `addressees` (`assignment_id`);--> statement-breakpoint
CREATE INDEX `addressees_by_class` ON `addressees` (`class_id`);--> statement-breakpoint
CREATE TABLE `adjustments` (
	`id` text PRIMARY KEY NOT NULL,
	`assignment_id` text NOT NULL,
	`student_id` text NOT NULL,
	`kind` text NOT NULL,
	`at` integer NOT NULL,
	`by` text NOT NULL,
	`reason` text,
	`opens_at` integer,
	`due_at` integer,
	`closes_at` integer,
	`edition_id` text,
	FOREIGN KEY (`assignment_id`) REFERENCES `assignments`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`student_id`) REFERENCES `users`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`by`) REFERENCES `users`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`edition_id`) REFERENCES `editions`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `adjustments_by_assignment` ON `adjustments` (`assignment_id`,`student_id`,`at`);--> statement-breakpoint
CREATE TABLE `group_members` (
	`group_id` text NOT NULL,
	`student_id` text NOT NULL,
	PRIMARY KEY(`group_id`, `student_id`),
	FOREIGN KEY (`group_id`) REFERENCES `groups`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`student_id`) REFERENCES `users`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `group_members_by_student` ON `group_members` (`student_id`);--> statement-breakpoint
CREATE TABLE `groups` (
	`id` text PRIMARY KEY NOT NULL,
	`class_id` text NOT NULL,
	`name` text NOT NULL,
	FOREIGN KEY (`class_id`) REFERENCES `classes`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `groups_by_name` ON `groups` (`class_id`,`name`);--> statement-breakpoint
CREATE TABLE `recipients` (
	`assignment_id` text NOT NULL,
	`addressee_id` text NOT NULL,
	`student_id` text NOT NULL,
	`since` integer NOT NULL,
	`until` integer,
	PRIMARY KEY(`addressee_id`, `student_id`, `since`),
	FOREIGN KEY (`assignment_id`) REFERENCES `assignments`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`addressee_id`) REFERENCES `addressees`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`student_id`) REFERENCES `users`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `recipients_by_assignment` ON `recipients` (`assignment_id`,`student_id`);--> statement-breakpoint
CREATE INDEX `recipients_by_student` ON `recipients` (`student_id`);--> statement-breakpoint
INSERT INTO `groups`("id", "class_id", "name") SELECT lower(hex(randomblob(16))), f.* FROM (SELECT DISTINCT c."class_id", g.value FROM `class_students` c, json_each(CASE WHEN json_type(c."groups") = 'object' THEN json_extract(c."groups", '$.list') ELSE c."groups" END) g) f;--> statement-breakpoint
INSERT OR IGNORE INTO `group_members`("group_id", "student_id") SELECT o."id", c."student_id" FROM `class_students` c, json_each(CASE WHEN json_type(c."groups") = 'object' THEN json_extract(c."groups", '$.list') ELSE c."groups" END) g JOIN `groups` o ON o."class_id" = c."class_id" AND o."name" = g.value;--> statement-breakpoint
INSERT INTO `addressees`("id", "assignment_id", "kind", "class_id", "created_at") SELECT "id", "id", 'class', "class_id", "created_at" FROM `assignments`;--> statement-breakpoint
INSERT INTO `addressee_windows`("addressee_id", "at", "opens_at", "due_at", "closes_at") SELECT "assignment_id", "at", "opens_at", "due_at", "closes_at" FROM `window_changes`;--> statement-breakpoint
INSERT INTO `addressee_windows`("addressee_id", "at", "opens_at", "due_at", "closes_at") SELECT "id", 0, "opens_at", "due_at", "closes_at" FROM `assignments` WHERE "id" NOT IN (SELECT "assignment_id" FROM `window_changes`);--> statement-breakpoint
INSERT INTO `recipients`("assignment_id", "addressee_id", "student_id", "since") SELECT a."id", a."id", c."student_id", a."created_at" FROM `assignments` a JOIN `class_students` c ON c."class_id" = a."class_id";--> statement-breakpoint
INSERT INTO `recipients`("assignment_id", "addressee_id", "student_id", "since", "until") SELECT a."id", a."id", t."student_id", a."created_at", unixepoch() * 1000 FROM `attempts` t JOIN `assignments` a ON a."id" = t."assignment_id" WHERE NOT EXISTS (SELECT 1 FROM `class_students` c WHERE c."class_id" = a."class_id" AND c."student_id" = t."student_id");--> statement-breakpoint
INSERT INTO `adjustments`("id", "assignment_id", "student_id", "kind", "at", "by") SELECT lower(hex(randomblob(16))), e."assignment_id", e."student_id", 'excused', a."created_at", a."created_by" FROM `excusals` e JOIN `assignments` a ON a."id" = e."assignment_id";--> statement-breakpoint
CREATE TABLE `__new_attempts` (
	`id` text PRIMARY KEY NOT NULL,
	`assignment_id` text NOT NULL,
	`student_id` text NOT NULL,
	`number` integer NOT NULL,
	`edition_id` text NOT NULL,
	`begun_at` integer NOT NULL,
	`secret` text DEFAULT '' NOT NULL,
	`drawn_by_time` integer DEFAULT false NOT NULL,
	`reducer` integer DEFAULT 0 NOT NULL,
	`sheet_row` text NOT NULL,
	`progress` real,
	`earned` integer,
	`possible` integer,
	`handed_in_at` integer,
	`to_mark` integer,
	`waiting_steps` integer,
	`returned` integer,
	`stuck_from` integer,
	FOREIGN KEY (`assignment_id`) REFERENCES `assignments`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`student_id`) REFERENCES `users`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`edition_id`) REFERENCES `editions`(`id`) ON UPDATE no action ON DELETE no action
);--> statement-breakpoint
INSERT INTO `__new_attempts`("id", "assignment_id", "student_id", "number", "edition_id", "begun_at", "secret", "drawn_by_time", "reducer", "sheet_row", "progress", "earned", "possible", "handed_in_at", "to_mark", "waiting_steps", "returned", "stuck_from") SELECT "id", "assignment_id", "student_id", 1, (SELECT a."edition_id" FROM `assignments` a WHERE a."id" = `attempts`."assignment_id"), "begun_at", "secret", "drawn_by_time", "reducer", "sheet_row", "progress", "earned", "possible", "handed_in_at", "to_mark", "waiting_steps", "returned", "stuck_from" FROM `attempts`;--> statement-breakpoint
DROP TABLE `attempts`;--> statement-breakpoint
ALTER TABLE `__new_attempts` RENAME TO `attempts`;--> statement-breakpoint
CREATE UNIQUE INDEX `attempts_by_number` ON `attempts` (`assignment_id`,`student_id`,`number`);--> statement-breakpoint
CREATE INDEX `attempts_by_student` ON `attempts` (`student_id`);--> statement-breakpoint
DROP TABLE `excusals`;--> statement-breakpoint
DROP TABLE `window_changes`;--> statement-breakpoint
CREATE TABLE `__new_assignments` (
	`id` text PRIMARY KEY NOT NULL,
	`school_id` text NOT NULL,
	`edition_id` text NOT NULL,
	`created_by` text NOT NULL,
	`time_zone` text NOT NULL,
	`terms` text NOT NULL,
	`created_at` integer NOT NULL,
	FOREIGN KEY (`school_id`) REFERENCES `schools`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`edition_id`) REFERENCES `editions`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`created_by`) REFERENCES `users`(`id`) ON UPDATE no action ON DELETE cascade
);--> statement-breakpoint
INSERT INTO `__new_assignments`("id", "school_id", "edition_id", "created_by", "time_zone", "terms", "created_at") SELECT "id", "school_id", "edition_id", "created_by", (SELECT c."time_zone" FROM `classes` c WHERE c."id" = `assignments`."class_id"), "terms", "created_at" FROM `assignments`;--> statement-breakpoint
DROP TABLE `assignments`;--> statement-breakpoint
ALTER TABLE `__new_assignments` RENAME TO `assignments`;--> statement-breakpoint
ALTER TABLE `class_students` DROP COLUMN `groups`;
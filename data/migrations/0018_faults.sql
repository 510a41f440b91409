CREATE TABLE `fault_case` (
	`seq` integer PRIMARY KEY NOT NULL,
	`hidden` text NOT NULL,
	`ground` text NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `fault_step` (
	`seq` integer PRIMARY KEY NOT NULL,
	`step` text NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TRIGGER `fault_case_no_update` BEFORE UPDATE ON `fault_case` BEGIN SELECT RAISE(ABORT, 'what is on record in fault_case is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `fault_case_no_delete` BEFORE DELETE ON `fault_case` BEGIN SELECT RAISE(ABORT, 'what is on record in fault_case is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `fault_step_no_update` BEFORE UPDATE ON `fault_step` BEGIN SELECT RAISE(ABORT, 'what is on record in fault_step is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `fault_step_no_delete` BEFORE DELETE ON `fault_step` BEGIN SELECT RAISE(ABORT, 'what is on record in fault_step is neither changed nor deleted'); END;

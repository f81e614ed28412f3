CREATE INDEX "runs_batch_id_index" ON "runs" USING btree ("batch_id");--> statement-breakpoint
CREATE INDEX "failings_project_id_index" ON "failings" USING btree ("project_id");--> statement-breakpoint
CREATE INDEX "projects_student_id_index" ON "projects" USING btree ("student_id");
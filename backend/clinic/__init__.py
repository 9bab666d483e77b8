"""Members and their roles, permissions, the audit log: who may do what, and what was done."""

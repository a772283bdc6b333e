"""What the computation answers from the shell: one module a command, JSON in and out."""

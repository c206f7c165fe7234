// What a simulator dumps: a clock of 8 ns, a counter, a line that is x, then z, then driven, a real, and a scope below.
`timescale 1ns/10ps
module port(input wire clock, output reg [3:0] count);
    initial count = 4'd0;
    always @(posedge clock) count <= count + 4'd1;
endmodule
module top;
    reg clock = 1'b0;
    reg odd = 1'bx;
    real level = 0.5;
    wire [3:0] count;
    port inner(.clock(clock), .count(count));
    always #4 clock = ~clock;
    initial begin
        $dumpfile("bench.vcd");
        $dumpvars(0, top);
        #10 odd = 1'bz;
        #10 odd = 1'b1;
        #3.25 odd = 1'b0;
        level = 1.25e-3;
        #6000.75 $finish;
    end
endmodule
